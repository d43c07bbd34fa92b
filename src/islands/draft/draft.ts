import { idOfName } from '../../contracts/index.ts';
import type { LensView } from '../../contracts/view/index.ts';
import { GROUP_PREFIX, shopperNumberIn } from '../../contracts/view/index.ts';
import type { Lead } from '../../core/aim/index.ts';
import { dayNumber, formatLocalDate, parseLocalDate } from '../../core/calendar/index.ts';
import type { BasketOfferDocument } from '../../core/plan/index.ts';
import {
  hasLinePrices,
  kindOf,
  type OfferDocument,
  type PriceChangeDocument,
  type PromotionDocument,
  type SupplierTermsDocument,
  type WorksheetDocument,
} from '../../core/plan/index.ts';
import { beginOffer } from '../../core/sentence/index.ts';
import { type DealKind, isDealKind } from '../../ui/words/index.ts';
import { goodsChosen } from './goods-chosen.ts';
import { differences, type SheetOutcome } from './outcome.ts';

type Frame = Omit<PromotionDocument, 'offer'>;

/** A price change being written. Without goods it is not one yet. */
export interface PriceChangeDraft extends Frame {
  readonly offer: Omit<PriceChangeDocument, 'items'> & {
    readonly items: PriceChangeDocument['items'] | null;
  };
}

/** A deal over the basket being written. Goods that are not chosen yet are an empty list. */
export interface DealDraft extends Frame {
  readonly offer: BasketOfferDocument;
}

export type Draft = PriceChangeDraft | DealDraft;
export const isDeal = (draft: Draft): draft is DealDraft => draft.offer.kind !== 'priceChange';

/** What is saved, to be written on: its offer is of one of the two sorts. */
export const draftOf = (promotion: PromotionDocument): Draft => promotion as Draft;

/** The worksheet by which a price change is made; null where there is none. */
export const sheetOf = (draft: Draft): WorksheetDocument | null =>
  isDeal(draft) ? null : (draft.offer.worksheet ?? null);

/** What a deal is called by that has no id yet. */
export const NEW_DEAL = 'draft';

const FIRST_DAYS = 7;

/** A new price change: from tomorrow at nine for a week, where the lens looks, for its shoppers. */
export function newDraft(view: LensView, id: string): PriceChangeDraft {
  return {
    ...newFrame(view, id),
    offer: { kind: 'priceChange', items: null, formula: { percentOff: 1000 } },
  };
}

/** What a new promotion begins with: what an aim led to, a kind, or a price change of some set. */
export function newPromotion(
  view: LensView,
  { kind, set, lead }: { kind: string | null; set: string | null; lead: Lead | null },
): Draft {
  if (lead) return draftOf({ ...newFrame(view, ''), ...lead.more, offer: toChoose(lead.offer) });
  if (isDealKind(kind) && kind !== 'priceChange') return newDeal(view, kind);
  const blank = newDraft(view, '');
  return set ? { ...blank, offer: { ...blank.offer, items: { set } } } : blank;
}

/** A price change whose goods are not chosen yet has none at all. */
const toChoose = (offer: OfferDocument): OfferDocument =>
  offer.kind === 'priceChange' ? ({ ...offer, items: null } as never) : offer;

/** Which of the kinds that can be begun a draft is. */
export const draftKind = ({ offer }: Draft): DealKind => kindOf(offer as OfferDocument);

/** A new deal of a kind, at the same time and place. */
export const newDeal = (view: LensView, kind: Exclude<DealKind, 'priceChange'>): DealDraft => ({
  ...newFrame(view, ''),
  offer: beginOffer(kind),
});

function newFrame({ lens, at }: LensView, id: string): Frame {
  const day = parseLocalDate(at.slice(0, 10))! + 1;
  const date = (offset: number) => formatLocalDate(dayNumber(day + offset));
  return {
    id,
    name: '',
    status: 'draft',
    priority: 50,
    ...placeOf(lens.where),
    // For a kind of shopper; a promotion for one person alone is asked for by name.
    ...(lens.shopper && shopperNumberIn(lens.shopper) === null ? { who: { groups: [lens.shopper] } } : {}),
    when: { from: `${date(0)}T09:00`, to: `${date(FIRST_DAYS - 1)}T20:00` },
  };
}

function placeOf(where: string | null): Pick<Frame, 'where'> {
  if (where === null) return {};
  return where.startsWith(GROUP_PREFIX)
    ? { where: { group: where.slice(GROUP_PREFIX.length) } }
    : { where: { stores: [where] } };
}

/** A draft that says what for; null where the goods are still to be chosen. */
export function wholeOf(draft: Draft): PromotionDocument | null {
  if (isDeal(draft)) return goodsChosen(draft.offer) ? draft : null;
  const { items, worksheet } = draft.offer;
  if (items === null || (worksheet && !hasLinePrices(draft.offer))) return null;
  return { ...draft, offer: { ...draft.offer, items } };
}

/** The draft as a worksheet, whose first pass is what it said so far. */
export function asWorksheet(draft: PriceChangeDraft): PriceChangeDraft {
  const { formula, rounding, items, linePrices, linePricesIn, ...offer } = draft.offer;
  const pass = formula && items ? [{ items, formula, ...(rounding ? { rounding } : {}) }] : [];
  const own = linePrices && Object.keys(linePrices).length > 0 ? { own: linePrices } : {};
  const ownIn = linePricesIn && linePricesIn.length > 0 ? { ownIn: linePricesIn } : {};
  return {
    ...draft,
    offer: { ...offer, items: { items: [] }, worksheet: { passes: pass, ...own, ...ownIn } },
  };
}

/** The draft with the prices that its worksheet comes to; the very same one where they stand there already. */
export function withSheetPrices(draft: Draft, { items, linePrices, linePricesIn }: SheetOutcome): Draft {
  if (isDeal(draft)) return draft;
  if (!draft.offer.worksheet) return draft;
  const { linePrices: had, linePricesIn: hadIn, ...offer } = draft.offer;
  if (differences({ linePrices, linePricesIn }, { linePrices: had, linePricesIn: hadIn }) === 0) return draft;
  const priced = { ...(linePrices ? { linePrices } : {}), ...(linePricesIn ? { linePricesIn } : {}) };
  return { ...draft, offer: { ...offer, items: { items: [...items] }, ...priced } };
}

/** Supplier's terms to begin with: the goods can be bought while the promotion runs. */
export const beginTerms = ({ when: { from, to } }: Draft): SupplierTermsDocument => ({
  from: from.slice(0, 10),
  to: (to ?? from).slice(0, 10),
});

/** The draft with costs of single items; terms begin with the first such cost, and stay when the last is taken away. */
export function withCosts(draft: Draft, costs: Readonly<Record<string, string>>): Draft {
  const { costs: _, ...terms } = draft.supplier ?? beginTerms(draft);
  return { ...draft, supplier: Object.keys(costs).length > 0 ? { ...terms, costs: { ...costs } } : terms };
}

/** "Sun care weekend" and six random letters; readable in an address and in a price file. */
export const idFor = (name: string, random: string): string => `${idOfName(name) || 'promotion'}-${random}`;

/** Six hexadecimal letters, on a page of any origin: identifiers of the browser's own ask for a secure one. */
export const randomLetters = (): string =>
  [...crypto.getRandomValues(new Uint8Array(3))].map((byte) => byte.toString(16).padStart(2, '0')).join('');

/** Whether its uses are counted at all. */
export const isLimited = ({ uses, codeBatches }: Pick<PromotionDocument, 'uses' | 'codeBatches'>): boolean =>
  codeBatches === true || Object.keys(uses ?? {}).some((key) => key !== 'every' && key !== 'cutOff');
