import type { PromotionDocument } from './document.ts';

/** A part of a promotion that is written as a whole: a field of it, or one of its offer, as "offer.items". */
export type PromotionPart = string;

export interface Merged {
  /** What both wrote; in parts that both wrote otherwise it is what was chosen. */
  readonly merged: PromotionDocument;
  /** The parts that both wrote, each otherwise, in the order of their names. */
  readonly touching: readonly PromotionPart[];
}

/**
 * Two changes of one promotion put together: each part as the one wrote it who did.
 * @param base what both began with.
 * @param theirs parts in which theirs counts where both wrote; in the others mine does.
 */
export function mergePromotions(
  base: PromotionDocument,
  mine: PromotionDocument,
  other: PromotionDocument,
  theirs: ReadonlySet<PromotionPart> = new Set(),
): Merged {
  const whole = [base, mine, other].some(({ offer }) => !isTakenApart(offer, base.offer));
  const [from, one, two] = [base, mine, other].map((promotion) => partsOf(promotion, whole));
  const merged = new Map<PromotionPart, unknown>();
  const touching: PromotionPart[] = [];
  for (const part of new Set([...from!.keys(), ...one!.keys(), ...two!.keys()])) {
    const [was, my, your] = [from!, one!, two!].map((parts) => parts.get(part));
    const both = !same(was, my) && !same(was, your) && !same(my, your);
    if (both) touching.push(part);
    const chosen = same(was, my) || (both && theirs.has(part)) ? your : my;
    if (chosen !== undefined) merged.set(part, chosen);
  }
  return { merged: promotionOf(merged), touching: touching.sort() };
}

type Offer = PromotionDocument['offer'];

/** Fields of an offer go apart where it stays of its kind and no list of prices ties them together. */
const isTakenApart = (offer: Offer, base: Offer): boolean =>
  offer.kind === base.kind &&
  !('worksheet' in offer) &&
  !('linePrices' in offer) &&
  !('linePricesIn' in offer);

const IN_OFFER = 'offer.';

function partsOf(promotion: PromotionDocument, whole: boolean): Map<PromotionPart, unknown> {
  const { offer, ...frame } = promotion;
  const offered = whole
    ? [['offer', offer] as const]
    : Object.entries(offer).map(([key, value]) => [IN_OFFER + key, value] as const);
  return new Map<PromotionPart, unknown>([...Object.entries(frame), ...offered]);
}

function promotionOf(parts: ReadonlyMap<PromotionPart, unknown>): PromotionDocument {
  const frame = [...parts].filter(([part]) => !part.startsWith(IN_OFFER));
  const offered = [...parts].flatMap(([part, value]) =>
    part.startsWith(IN_OFFER) ? [[part.slice(IN_OFFER.length), value] as const] : [],
  );
  const offer = offered.length > 0 ? { offer: Object.fromEntries(offered) } : {};
  return { ...Object.fromEntries(frame), ...offer } as unknown as PromotionDocument;
}

/** The order of fields means nothing; what is not there is undefined. */
function same(a: unknown, b: unknown): boolean {
  if (a === b) return true;
  if (typeof a !== 'object' || typeof b !== 'object' || !a || !b || Array.isArray(a) !== Array.isArray(b))
    return false;
  const keys = new Set([...Object.keys(a), ...Object.keys(b)]);
  return [...keys].every((key) => same((a as never)[key], (b as never)[key]));
}
