import type { PriceStory } from './replies.ts';

/** What a till held at a moment. */
export interface HeldThen {
  /** The number of its price file; null: it held none. */
  readonly number: number | null;
  /** When it told of that, ISO 8601, UTC. */
  readonly since: string;
  readonly problem: string | null;
  /** Its own clock less the server's, milliseconds; null: not kept. */
  readonly clockSkew: number | null;
  /** When the file was made, by whom, and until when it was good; null: it is not on record. */
  readonly sent: { readonly at: string; readonly by: string; readonly goodUntil: string | null } | null;
}

/** What a plan says of the same price, to lay beside what was rung. */
export interface PriceBeside {
  readonly price: string | null;
  readonly promotion: { readonly id: string; readonly name: string } | null;
}

/** What a till rang for an item at a moment, and why. */
export interface RungView {
  readonly terminal: string;
  /** The item's name, or its number where nobody knows it any more. */
  readonly item: string;
  readonly store: { readonly id: string; readonly name: string; readonly timeZone: string };
  /** Wall time at the store. */
  readonly at: string;
  /** Null: nothing that the till said by then is on record. */
  readonly held: HeldThen | null;
  /** By the price file that it held; null: it held none, or that does not know the item. */
  readonly story: PriceStory | null;
  /** By the plan as it was known at that moment; null: not on record. */
  readonly known: PriceBeside | null;
  /** By the plan as it is known now, of that same moment. */
  readonly now: PriceBeside | null;
  /** The moment as a lens takes it. */
  readonly moment: string;
}
