import type { StoreDocument } from '../plan/index.ts';
import type { RegularPrice } from '../tag-price/index.ts';

/** Where a line counts: wherever nothing nearer does, in one zone, or in one store. As a price row says it. */
export type SheetPlace = 'chain' | `zone:${string}` | `store:${string}`;

/** Where the regular price of a store comes from. */
export function placeOf({ scope }: Pick<RegularPrice, 'scope'>, store: StoreDocument): SheetPlace {
  if (scope === 'store') return `store:${store.id}`;
  return scope === 'zone' ? `zone:${store.zone!}` : 'chain';
}

/** "zone:isles" as a pair; the chain has no id. */
export function placeParts(place: SheetPlace): { kind: 'chain' | 'zone' | 'store'; id: string } {
  const at = place.indexOf(':');
  if (at < 0) return { kind: 'chain', id: '' };
  return { kind: place.slice(0, at) as 'zone' | 'store', id: place.slice(at + 1) };
}

/** Between the parts of a key; stands in no id that is typed. */
const MARK = '\u001f';

/** What tells a line from all others; prices by hand of one line stand under it. */
export const lineKey = (line: {
  readonly sku: string;
  readonly place: SheetPlace;
  readonly since: string | null;
}): string => [line.sku, line.place, line.since ?? ''].join(MARK);

/** The key's parts. */
export function keyParts(key: string): { sku: string; place: SheetPlace; since: string | null } {
  const [sku = '', place = 'chain', since = ''] = key.split(MARK);
  return { sku, place: place as SheetPlace, since: since === '' ? null : since };
}
