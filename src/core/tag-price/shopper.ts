import type { Who } from '../plan/index.ts';

/** Who asks for a price. */
export type Shopper =
  | { readonly kind: 'guest' }
  | { readonly kind: 'shopper'; readonly id: string | null; readonly groups: readonly string[] };

export const GUEST: Shopper = { kind: 'guest' };

/** Any one part that holds is enough. */
export function isFor(who: Who, shopper: Shopper): boolean {
  if (who.kind === 'everyone') return true;
  if (shopper.kind === 'guest') return who.guests;
  return (
    who.anyShopper ||
    shopper.groups.some((group) => who.groups.includes(group)) ||
    (shopper.id !== null && who.shoppers.includes(shopper.id))
  );
}
