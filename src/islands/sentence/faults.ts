import type { Refusal } from '../server/index.ts';

/** Where the parts stand that every promotion's sentence and what is beside it have. */
const FRAME = [
  '/name',
  '/when',
  '/where',
  '/who',
  '/priority',
  '/channels',
  '/terminals',
  '/badge',
  '/supplier',
  '/notes',
  '/label',
] as const;
const OF_PRICE_CHANGES = ['/offer/formula', '/offer/rounding', '/offer/items'] as const;
const OF_DEALS = ['/limitPerBasket', '/uses', '/codes', '/offer/'] as const;

const isUnder = (path: string, part: string): boolean =>
  path === part || path.startsWith(part.endsWith('/') ? part : `${part}/`);

/** What the server says against a part of the draft, given by where it stands in the document. */
export function faultUnder(faults: Refusal['faults'], part: string): string | null {
  const found = faults.filter(({ path }) => isUnder(path, part));
  return found.length === 0 ? null : found.map(({ message }) => message).join('; ');
}

/** Faults that belong to no part that is shown. */
export function otherFaults(faults: Refusal['faults'], ofDeal: boolean): Refusal['faults'] {
  const parts = [...FRAME, ...(ofDeal ? OF_DEALS : OF_PRICE_CHANGES)];
  return faults.filter(({ path }) => !parts.some((part) => isUnder(path, part)));
}
