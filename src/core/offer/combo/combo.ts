import {
  type BasisPoints,
  type Currency,
  type MinorUnits,
  readAmount,
  readAmounts,
} from '../../money/index.ts';
import type { Offer, OfferDocument } from '../../plan/index.ts';
import { type MapRule, type OfferCheck, type OfferInPlan, only } from '../room/in-plan.ts';
import type { OfferPart, OfferPartDocument } from '../room/offer-part.ts';
import { checkValue } from '../value/check.ts';
import type { ValueDocument } from '../value/index.ts';

export interface ComboDocument {
  kind: 'combo';
  slots: ({ name: string; each?: string } & OfferPartDocument)[];
  value?: ValueDocument;
  extra?: Record<string, string>;
  /** What the till shows: the SHA-256 of a picture's bytes, in hexadecimal. */
  picture?: string;
}

export interface Combo {
  readonly kind: 'combo';
  readonly slots: readonly (OfferPart & { readonly name: string; readonly each: MinorUnits | null })[];
  /** Null: every slot has its price. */
  readonly value:
    | { readonly kind: 'total'; readonly amount: MinorUnits }
    | { readonly kind: 'percentOff'; readonly percent: BasisPoints }
    | null;
  readonly extra: ReadonlyMap<string, MinorUnits>;
  /** What the till shows: the SHA-256 of a picture's bytes, in hexadecimal. */
  readonly picture: string | null;
}

export const combo: OfferInPlan<ComboDocument, Combo> = {
  over: 'units',
  check: checkCombo,
  read: ({ slots, value, extra, picture }, currency) => ({
    kind: 'combo',
    slots: slots.map(({ name, items, quantity, each }) => ({
      name,
      items,
      quantity,
      each: each === undefined ? null : readAmount(each, currency),
    })),
    value: readComboValue(value, currency),
    extra: readAmounts(extra, currency),
    picture: picture ?? null,
  }),
  withRules,
  atStore: (offer, skus) => (offer.extra ? { ...offer, extra: only(offer.extra, skus) } : offer),
};

function withRules<T extends ComboDocument | Combo>(offer: T, map: MapRule): T {
  return {
    ...offer,
    slots: offer.slots.map((slot, i) => ({ ...slot, items: map(slot.items, ['slots', i, 'items']) })),
  };
}

function readComboValue(value: ValueDocument | undefined, currency: Currency): Combo['value'] {
  if (!value) return null;
  if ('total' in value) return { kind: 'total', amount: readAmount(value.total, currency) };
  if ('percentOff' in value) return { kind: 'percentOff', percent: value.percentOff as BasisPoints };
  throw new Error('unchecked value of a combo');
}

function checkCombo({ slots, value, extra }: ComboDocument, { path, context }: OfferCheck): void {
  slots.forEach(({ each }, i) => {
    context.amount(each, [...path, 'slots', i, 'each']);
  });
  const priced = slots.filter(({ each }) => each !== undefined).length;
  if (value ? priced > 0 : priced < slots.length)
    context.fault(path, 'a combo without one way of pricing', 'a `value`, or a price `each` in every slot');
  if (value) checkValue(value, ['total', 'percentOff'], [...path, 'value'], context);
  if (extra && value && 'percentOff' in value)
    context.fault([...path, 'extra'], 'extras beside a percentage', 'a total, or a price in every slot');
  for (const [sku, amount] of Object.entries(extra ?? {})) {
    context.reference('item', sku, [...path, 'extra', sku]);
    context.amount(amount, [...path, 'extra', sku]);
  }
}

/** What a till shows of an offer: the SHA-256 of a picture's bytes; null: nothing. */
export const pictureOf = (offer: Offer | OfferDocument): string | null =>
  offer.kind === 'combo' ? (offer.picture ?? null) : null;
