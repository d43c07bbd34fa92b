import { idInAddress } from '../../contracts/index.ts';
import type { TrialBasket } from '../../contracts/view/index.ts';
import { Notice } from '../../ui/pieces/index.ts';
import { saidAmount } from '../../ui/writing/index.ts';

/** The same line of the basket goes on: what a price change had no unit left for. */
const isBeyond = (of: TrialBasket['of'], i: number): boolean =>
  i > 0 && of[i] !== null && of[i] === of[i - 1];

/** The receipt as the till prints it. */
export function PrintedReceipt({
  trial: { receipt, of, lists, items, promotions },
  name = 'Receipt',
}: {
  trial: Pick<TrialBasket, 'receipt' | 'of' | 'lists' | 'items' | 'promotions'>;
  /** Where there is more than one on a page. */
  name?: string;
}) {
  const nameOf = (id: string) => promotions[id]?.name ?? id;
  const { lines, delivery } = receipt;
  return (
    <section aria-label={name} className="bg-base-200 px-5 py-4">
      <ul className="tabular-nums">
        {lines.map(({ sku, quantity, tag, net, gift, reductions }, i) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: a line is its place on the receipt.
          <li key={i} className="hairline border-b py-1.5">
            <div className="flex gap-3">
              <span className="flex-1">
                {items[sku] ?? sku}
                <span className="quiet block text-sm">
                  {gift ? 'a gift, ' : ''}
                  {saidAmount(String(quantity))} × {saidAmount(tag)}
                  {isBeyond(of, i) ? ', beyond a limit in units' : ''}
                  {lists[i] ? `, by the price list ${lists[i]}: not the public price` : ''}
                </span>
              </span>
              <span className="font-medium">{saidAmount(net)}</span>
            </div>
            {reductions.map(({ promotion, amount, units }) => (
              <div key={promotion} className="flex gap-3 pl-3 text-sm">
                <span className="flex-1">
                  {nameOf(promotion)}
                  {units && units > 1 ? ` (${units})` : ''}
                </span>
                <span>
                  {amount.startsWith('-') ? `+${saidAmount(amount.slice(1))}` : `−${saidAmount(amount)}`}
                </span>
              </div>
            ))}
          </li>
        ))}
        {delivery ? (
          <li className="flex gap-3 py-1.5">
            <span className="flex-1">
              Delivery
              {delivery.promotion ? <span className="quiet"> · {nameOf(delivery.promotion)}</span> : null}
            </span>
            <span>{saidAmount(delivery.net)}</span>
          </li>
        ) : null}
      </ul>
      <p className="mt-3 flex items-baseline justify-between" role="status">
        <span>
          To pay, {receipt.currency}
          {Number(receipt.saving) > 0 ? (
            <span className="quiet block text-sm">saved {saidAmount(receipt.saving)} against the tags</span>
          ) : null}
        </span>
        <strong className="font-serif text-4xl">{saidAmount(receipt.total)}</strong>
      </p>
    </section>
  );
}

/** What an accepted code does: nothing, where no deal of it applies or one of the others saves more. */
function whatItBrings(codes: TrialBasket['codes'], code: string): string {
  const saves = codes.find((one) => one.code === code)?.saves;
  if (saves === undefined) return 'accepted';
  if (Number(saves) === 0) return 'accepted, but it makes no difference to this basket';
  // Where offers go by priority, one with a code can take units from one that saves more.
  return saves.startsWith('-')
    ? `accepted; without it there would be ${saidAmount(saves.slice(1))} less to pay`
    : `accepted; without it there would be ${saidAmount(saves)} more to pay`;
}

/** The receipt, how it was found, and what is nearly reached. */
export function Receipt({
  trial,
  query,
  busy,
  onAdd,
}: {
  trial: TrialBasket;
  query: string;
  busy: boolean;
  onAdd: (sku: string, more: number) => void;
}) {
  const { receipt, second, items, promotions } = trial;
  const nameOf = (id: string) => promotions[id]?.name ?? id;
  const { applications, rewards, codes, nearly, problems } = receipt;
  return (
    <div aria-busy={busy} className="space-y-7">
      <PrintedReceipt trial={trial} />
      {problems.length > 0 ? (
        <Notice tone="trouble" className="text-sm">
          <ul>
            {problems.map(({ message }) => (
              <li key={message}>{message}</li>
            ))}
          </ul>
        </Notice>
      ) : null}
      {codes.length > 0 ? (
        <ul className="text-sm">
          {codes.map(({ code, accepted, reason }) => (
            <li key={code}>
              Code {code}: {accepted ? whatItBrings(trial.codes, code) : reason}
            </li>
          ))}
        </ul>
      ) : null}
      <section>
        <h2 className="text-xl">How it was found</h2>
        <p className="quiet mt-1 text-sm">
          {receipt.proved
            ? 'Nothing else that these offers allow would save more: proved.'
            : `The best found; at most ${saidAmount(receipt.bound ?? '')} more could be saved.`}
        </p>
        {applications.length + rewards.length === 0 ? (
          <p className="mt-2 text-sm">No deal applies: everything is at its tag price.</p>
        ) : null}
        <ul className="mt-1">
          {[
            ...applications.map(({ promotion, times, saving }) => ({ promotion, times, saving })),
            ...rewards.map(({ promotion, amount }) => ({ promotion, times: 1, saving: amount })),
          ].map(({ promotion, times, saving }) => (
            <li key={promotion} className="hairline border-b py-1.5">
              <div className="flex gap-3">
                <a className="link flex-1" href={`/plan/${idInAddress(promotion)}${query}`}>
                  {nameOf(promotion)}
                </a>
                <span className="tabular-nums">
                  {times > 1 ? <span className="quiet">{times} times, </span> : null}−{saidAmount(saving)}
                </span>
              </div>
              <p className="quiet text-sm">{promotions[promotion]?.sentence}</p>
            </li>
          ))}
        </ul>
      </section>
      {second ? (
        <section>
          <h2 className="text-xl">{second.total === receipt.total ? 'Just as good' : 'Second-best'}</h2>
          <p className="mt-1 text-sm">
            Without {nameOf(second.without)}{' '}
            {second.applies.length > 0
              ? `but with ${second.applies.map(nameOf).join(', ')}`
              : 'nothing applies'}
            : {saidAmount(second.total)} to pay,{' '}
            {second.total === receipt.total
              ? 'the same to pay, put together otherwise'
              : `${saidAmount(second.saving)} saved`}
            .
          </p>
        </section>
      ) : null}
      {nearly.length + trial.nextTiers.length > 0 ? (
        <section>
          <h2 className="text-xl">Nearly there</h2>
          <ul className="mt-1">
            {nearly.map(({ promotion, add, sku, saving }) => (
              <li key={promotion} className="hairline flex items-baseline gap-3 border-b py-1.5 text-sm">
                <span className="flex-1">
                  {add} more for <span className="font-medium">{nameOf(promotion)}</span>, which saves{' '}
                  {saidAmount(saving)}
                  <span className="quiet block">such as {items[sku] ?? sku}</span>
                </span>
                <button type="button" className="btn btn-xs" onClick={() => onAdd(sku, add)}>
                  Add {add}
                </button>
              </li>
            ))}
            {trial.nextTiers.map(({ promotion, missing, saving }) => (
              <li key={promotion} className="hairline border-b py-1.5 text-sm">
                {saidAmount(String(missing))} more {typeof missing === 'number' ? 'to buy' : 'to pay'} for{' '}
                <span className="font-medium">{nameOf(promotion)}</span>, which takes {saidAmount(saving)} off
              </li>
            ))}
          </ul>
        </section>
      ) : null}
    </div>
  );
}
