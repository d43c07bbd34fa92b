import { idInAddress } from '../src/contracts/index.ts';
import type { ReceiptDocument } from '../src/core/receipt/index.ts';
import { document, escapeHtml } from './page.ts';
import type { BasketAnswer, RungBasket } from './ring-basket.ts';
import type { ShownCard } from './shown-card.ts';
import type { TillState } from './till-ports.ts';

/** What was put before the till, as it stands in the address. */
export interface AskedBasket {
  /** "Q100181*2,Q100119*0.5" */
  readonly lines: string;
  readonly codes: string;
  readonly group: string;
  /** The number of a card that is held out; empty: none. */
  readonly card: string;
  readonly payment: string;
  /** In which the receipt names its promotions, where they are written in it; empty: as they are. */
  readonly language: string;
  /** By which it is paid or left standing. */
  readonly basket: string;
}

/** A till's page for a whole basket: what is in it, and the receipt. */
export function basketPage(state: TillState, asked: AskedBasket, answer: BasketAnswer | null): string {
  const groups = state.groups
    .map(
      ({ id, name }) =>
        `<option value="${escapeHtml(id)}"${id === asked.group ? ' selected' : ''}>${escapeHtml(name)}</option>`,
    )
    .join('');
  const field = (label: string, name: keyof AskedBasket, size: number) =>
    `<label>${label}<input name="${name}" value="${escapeHtml(asked[name])}" size="${size}"></label>`;
  return document(
    `Basket at till ${state.id}`,
    `<p><a href="/till/${idInAddress(state.id)}">Till ${escapeHtml(state.id)}</a></p><h1>A basket</h1>
<form><input type="hidden" name="basket" value="${escapeHtml(asked.basket)}"><label>SKU or barcode<input name="add" autofocus></label><label>How many<input name="quantity" value="1" size="4"></label><button>Put in</button>
${field('Goods so far', 'lines', 30)}${field('Codes, with commas between', 'codes', 12)}${field('Paid by', 'payment', 8)}${field('Card', 'card', 10)}${languages(asked.language, answer)}<label>Shopper<select name="group"><option value="">Guest</option>${groups}</select></label></form>
${answer === null ? '<p>Nothing in it yet.</p>' : answer.ok ? cardWords(answer.card) + receiptWords(state.id, inLanguage(answer.rung, asked.language)) + closing(state.id, asked.basket, answer) : faultWords(answer.faults)}`,
  );
}

/** Languages in which any promotion of the price file is written. */
function languages(chosen: string, answer: BasketAnswer | null): string {
  const known = answer?.ok ? Object.keys(answer.rung.labelsIn).sort() : [];
  const all = [...new Set([...known, ...(chosen === '' ? [] : [chosen])])];
  if (all.length === 0) return '';
  const options = all.map(
    (one) =>
      `<option${one === chosen ? ' selected' : ''} value="${escapeHtml(one)}">${escapeHtml(one)}</option>`,
  );
  return `<label>Language<select name="language"><option value="">as written</option>${options.join('')}</select></label>`;
}

const inLanguage = (rung: RungBasket, language: string): RungBasket => ({
  ...rung,
  labels: { ...rung.labels, ...rung.labelsIn[language] },
});

/** What becomes of the basket; what it uses of what is limited is kept for it until then. */
function closing(till: string, basket: string, { counted }: { counted?: boolean }): string {
  const to = `/till/${idInAddress(till)}/basket/${basket}`;
  const alone =
    counted === false
      ? '<p class="off">Cut off: nobody counts with the other tills. What may be given only so often is given as far as a till may by itself.</p>'
      : '';
  return `${alone}<form method="post"><button class="first" formaction="${to}/paid">Paid</button><button formaction="${to}/dropped">Left standing</button></form>`;
}

const faultWords = (faults: readonly string[]): string =>
  `<ul class="off" role="alert">${faults.map((fault) => `<li>${escapeHtml(fault)}</li>`).join('')}</ul>`;

const CARD_STATES: Readonly<Record<ShownCard['state'], string>> = {
  known: 'known',
  blank: 'known by its first digits alone, as this till is cut off',
  unknown: 'no card of ours: rung as a guest',
  slowed: 'not looked at, as too many wrong ones were tried here: rung as a guest',
  unchecked: 'cannot be looked at while this till is cut off: rung as a guest',
};

const cardWords = (card: ShownCard | undefined): string =>
  card ? `<p>Card …${escapeHtml(card.lastDigits)}: ${CARD_STATES[card.state]}</p>` : '';

/** A code may be taken and bring nothing: what it opens asks for more in the basket. */
const broughtWords = (amount: string | undefined): string =>
  amount === undefined || Number(amount) === 0
    ? 'good, but nothing in this basket goes by it; it stays unused'
    : `you save ${amount}`;

function receiptWords(
  till: string,
  { receipt, of, labels, lists, names, pictures, brought, spent }: RungBasket,
): string {
  const line = ({ sku, quantity, tag, net, gift, reductions }: ReceiptDocument['lines'][number], i: number) =>
    `<tr><td>${escapeHtml(names[sku] ?? sku)}${gift ? ', a gift' : ''}<br>${quantity} × ${tag}${i > 0 && of[i] !== null && of[i] === of[i - 1] ? ', beyond what may be had of the offer' : ''}${lists[i] ? `, ${escapeHtml(lists[i])} price` : ''}${reductions
      .map(({ promotion, amount }) => `<br>${escapeHtml(labels[promotion] ?? promotion)} −${amount}`)
      .join('')}</td><td class="amount">${net}</td></tr>`;
  const shown = receipt.applications.flatMap(({ promotion }) => {
    const label = escapeHtml(labels[promotion] ?? promotion);
    return pictures[promotion] === undefined
      ? []
      : [
          `<figure><img src="/till/${idInAddress(till)}/picture/${pictures[promotion]}" alt="${label}" height="120"><figcaption>${label}</figcaption></figure>`,
        ];
  });
  return `<section role="status">${shown.join('')}<table><tbody>${receipt.lines.map(line).join('')}</tbody></table>
<p class="figure">${receipt.total}</p><p>${receipt.currency}${Number(receipt.saving) === 0 ? '' : `; you save ${receipt.saving}`}</p>
${receipt.problems.map(({ message }) => `<p class="off">${escapeHtml(message)}</p>`).join('')}
${spent.map((id) => `<p>${escapeHtml(labels[id] ?? id)}: as much as may be had of it was had before</p>`).join('')}
${receipt.codes.map(({ code, accepted, reason }) => `<p>Code ${escapeHtml(code)}: ${accepted ? broughtWords(brought[code]) : escapeHtml(reason)}</p>`).join('')}</section>`;
}
