import { parseLocalDate } from '../calendar/index.ts';
import type { Currency } from '../money/index.ts';
import { parseAmount } from '../money/index.ts';
import type { PlanDocument } from '../plan/index.ts';
import type { Fault } from './fault.ts';
import { withArticle } from './with-article.ts';

type Path = Fault['path'];

/** What the checks of one document share: its known names, and where faults go. */
export interface CheckContext {
  readonly document: PlanDocument;
  readonly currency: Currency;
  readonly known: Record<ReferenceKind, ReadonlySet<string>>;
  fault(path: Path, what: string, wanted: string): void;
  /** Faults where `id` is not a known one of its kind. */
  reference(kind: ReferenceKind, id: string, path: Path): void;
  /** Faults where the text is no amount of the document's currency. */
  amount(text: string | undefined, path: Path, above?: number): void;
  /** Faults where the text is no day of the calendar. */
  date(text: string | undefined, path: Path): void;
}

export const REFERENCE_KINDS = [
  'node',
  'item',
  'item set',
  'zone',
  'store',
  'store group',
  'price list',
  'shopper group',
  'shopper',
  'promotion',
] as const;
export type ReferenceKind = (typeof REFERENCE_KINDS)[number];

/** The document's word for a group of goods is not a word of the trade. */
const wordOf = (kind: ReferenceKind): string => (kind === 'node' ? 'group of goods' : kind);

export function checkContext(document: PlanDocument, currency: Currency, faults: Fault[]): CheckContext {
  const ids = (list: readonly { id: string }[] | undefined) => new Set((list ?? []).map(({ id }) => id));
  const known: CheckContext['known'] = {
    node: ids(document.nodes),
    item: new Set(document.items.map(({ sku }) => sku)),
    'item set': ids(document.itemSets),
    zone: ids(document.zones),
    store: ids(document.stores),
    'store group': ids(document.storeGroups),
    'price list': ids(document.priceLists),
    'shopper group': ids(document.shopperGroups),
    shopper: ids(document.shoppers),
    promotion: ids(document.promotions),
  };
  const context: CheckContext = {
    document,
    currency,
    known,
    fault: (path, what, wanted) => void faults.push({ path, what, wanted }),
    reference(kind, id, path) {
      if (known[kind].has(id)) return;
      const word = wordOf(kind);
      context.fault(path, `no ${word} "${id}"`, `the id of ${withArticle(word)} in this plan`);
    },
    amount(text, path, above = -1) {
      if (text === undefined) return;
      const amount = parseAmount(text, currency);
      const decimals = currency.exponent === 0 ? 'no decimals' : `at most ${currency.exponent} decimals`;
      if (amount === null)
        context.fault(path, `"${text}" is no amount in ${currency.code}`, `an amount with ${decimals}`);
      else if (amount <= above) context.fault(path, `"${text}" is too small`, 'an amount above zero');
    },
    date(text, path) {
      if (text !== undefined && parseLocalDate(text) === null)
        context.fault(path, `"${text}" is no day of the calendar`, 'a date such as 2027-03-01');
    },
  };
  return context;
}
