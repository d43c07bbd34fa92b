import { parseMoment } from '../calendar/index.ts';
import { normalCode } from '../codes/index.ts';
import { type MinorUnits, minorUnits, parseAmount, parseThousandths } from '../money/index.ts';
import type { Fault } from '../plan/index.ts';
import { type CompiledPlan, DEFAULT_CHANNEL, knownShopper } from '../price-book/index.ts';
import { GUEST, type Shopper } from '../tag-price/index.ts';
import type { Basket, BasketLine } from './basket.ts';
import type { BasketDocument, Quantity } from './basket-document.ts';
import { readUses } from './use-keys.ts';

/** The largest basket that is taken in: beyond it somebody has mistyped. */
export const MOST_LINES = 1_000;
export const MOST_OF_A_LINE = 9_999;

export type ReadBasket =
  | { readonly ok: true; readonly basket: Basket }
  | { readonly ok: false; readonly faults: readonly Fault[] };

/** Reads a basket whose shape has been checked; says all that is wrong with what it names and counts. */
export function readBasket(document: BasketDocument, compiled: CompiledPlan): ReadBasket {
  const faults: Fault[] = [];
  const fault = (path: Fault['path'], what: string, wanted: string) =>
    void faults.push({ path, what, wanted });
  const { currency } = compiled.plan;
  const amount = (text: string | undefined, path: Fault['path']): MinorUnits => {
    const read = text === undefined ? minorUnits(0) : parseAmount(text, currency);
    if (read === null)
      fault(path, `"${text}" is no amount`, `an amount with at most ${currency.exponent} decimals`);
    return read ?? minorUnits(0);
  };
  const store = compiled.stores.get(document.store);
  if (!store) fault(['store'], `no store "${document.store}"`, 'the id of a store in this plan');
  const at = store && parseMoment(document.at, compiled.clockOf(store));
  if (store && at === null)
    fault(['at'], `"${document.at}" is no moment`, 'a local date and time such as 2027-03-01T09:00');
  if (document.lines.length > MOST_LINES)
    fault(['lines'], `${document.lines.length} lines`, `at most ${MOST_LINES}`);
  const lines = document.lines.map(({ sku, quantity }, i): BasketLine => {
    const index = compiled.catalogue.indexOf.get(sku);
    const item = index === undefined ? undefined : compiled.catalogue.items[index];
    const weighed = (item?.unit ?? 'each') !== 'each';
    const thousandths = quantityOf(quantity, weighed || !item);
    if (thousandths === null)
      fault(
        ['lines', i, 'quantity'],
        `${JSON.stringify(quantity)} is no quantity of ${sku}`,
        weighed
          ? `a quantity above zero in ${item!.unit}, with at most three decimals, up to ${MOST_OF_A_LINE}`
          : `a whole number of pieces from 1 to ${MOST_OF_A_LINE}`,
      );
    return { sku, thousandths: thousandths ?? 0 };
  });
  const known = shopperOf(document, compiled, amount, fault);
  const charge = amount(document.delivery?.charge, ['delivery', 'charge']);
  if (faults.length > 0) return { ok: false, faults };
  return {
    ok: true,
    basket: {
      id: document.id ?? null,
      store: document.store,
      at: at!,
      channel: document.channel ?? DEFAULT_CHANNEL,
      terminal: document.terminal ?? null,
      ...known,
      codes: eachOnce(document.codes ?? []),
      usesSoFar: readUses(document.usesSoFar ?? {}),
      payment: document.payment ?? null,
      delivery: document.delivery ? { way: document.delivery.way, charge } : null,
      region: document.region ?? null,
      postcode: document.postcode ?? null,
      linkTag: document.linkTag ?? null,
      lines,
    },
  };
}

/** A code that is said twice, in whatever way of writing, stands as it was written first. */
function eachOnce(codes: readonly string[]): string[] {
  const written = new Map<string, string>();
  for (const code of codes) if (!written.has(normalCode(code))) written.set(normalCode(code), code);
  return [...written.values()];
}

/** Thousandths; null where it is not above zero, too fine or too much. */
function quantityOf(quantity: Quantity, fractions: boolean): number | null {
  const read = parseThousandths(String(quantity));
  if (read === null || read <= 0 || read > MOST_OF_A_LINE * 1_000) return null;
  return fractions || read % 1_000 === 0 ? read : null;
}

function shopperOf(
  { shopper }: BasketDocument,
  compiled: CompiledPlan,
  amount: (text: string | undefined, path: Fault['path']) => MinorUnits,
  fault: (path: Fault['path'], what: string, wanted: string) => void,
): { shopper: Shopper; history: Basket['history'] } {
  if (shopper === undefined) return { shopper: GUEST, history: null };
  const recordOf = (id: string | undefined) => (id === undefined ? undefined : compiled.shoppers.get(id));
  if (typeof shopper === 'string') {
    const record = recordOf(shopper);
    if (!record) fault(['shopper'], `no shopper "${shopper}"`, 'the id of a shopper in this plan');
    const { pastOrders = 0, lifetimeSpend = minorUnits(0) } = record ?? {};
    return { shopper: knownShopper(compiled, shopper), history: { pastOrders, lifetimeSpend } };
  }
  const record = recordOf(shopper.id);
  const { groups = record?.groups ?? [], pastOrders = record?.pastOrders ?? 0 } = shopper;
  for (const [i, group] of groups.entries())
    if (!compiled.plan.shopperGroups.some(({ id }) => id === group))
      fault(
        ['shopper', 'groups', i],
        `no shopper group "${group}"`,
        'the id of a shopper group in this plan',
      );
  const spent =
    shopper.lifetimeSpend === undefined && record?.lifetimeSpend
      ? record.lifetimeSpend
      : amount(shopper.lifetimeSpend, ['shopper', 'lifetimeSpend']);
  return {
    shopper:
      shopper.id === undefined
        ? { kind: 'shopper', id: null, groups }
        : { ...knownShopper(compiled, shopper.id), groups },
    history: { pastOrders, lifetimeSpend: spent },
  };
}
