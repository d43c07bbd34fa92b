import type { Who } from '../plan/index.ts';

/** Who asks for a price. */
export type Shopper =
  | { readonly kind: 'guest' }
  | {
      readonly kind: 'shopper';
      readonly id: string | null;
      readonly groups: readonly string[];
      /** The account that they belong to; absent: none. What is for it is for them. */
      readonly account?: string;
    };

export const GUEST: Shopper = { kind: 'guest' };

/** Any one part that holds is enough. */
export function isFor(who: Who, shopper: Shopper): boolean {
  if (who.kind === 'everyone') return true;
  if (shopper.kind === 'guest') return who.guests;
  return (
    who.anyShopper ||
    shopper.groups.some((group) => who.groups.includes(group)) ||
    namesOf(shopper).some((id) => who.shoppers.includes(id))
  );
}

/** The numbers by which a shopper is known: their own, and that of their account. */
const namesOf = ({ id, account }: Extract<Shopper, { kind: 'shopper' }>): string[] =>
  [id, account].filter((one) => one != null);

/** Who a limit for each shopper counts as one: an account, whoever of its people comes; null: nobody who is known. */
export const countedAs = (shopper: Shopper): string | null =>
  shopper.kind === 'guest' ? null : (shopper.account ?? shopper.id);
