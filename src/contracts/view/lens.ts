/**
 * Where, when and for whom prices are looked at. Stands in the address of every page, so that a link shows the same
 * to whoever opens it.
 */
export interface Lens {
  /** A store's id, or "group:" and a store group's id. Null: the first store that the person sees. */
  readonly where: string | null;
  /** Wall time at the store. Null: now, going on with the clock. */
  readonly at: string | null;
  /** A shopper group's id, or "shopper:" and somebody's number. Null: a guest. */
  readonly shopper: string | null;
  /**
   * As what was known at a moment: ISO 8601 with its offset, or a wall time at the store. Absent, and nearly always: as
   * it is known now. Only *Check* looks through it.
   */
  readonly known?: string;
}

export const GROUP_PREFIX = 'group:';
export const SHOPPER_PREFIX = 'shopper:';

/** The number of the one whom a lens looks as; null: a kind of shopper, or a guest. */
export const shopperNumberIn = (shopper: string | null): string | null =>
  shopper?.startsWith(SHOPPER_PREFIX) ? shopper.slice(SHOPPER_PREFIX.length) : null;

export function readLens(query: URLSearchParams): Lens {
  return {
    where: query.get('where') || null,
    at: query.get('at') || null,
    shopper: query.get('for') || null,
    ...(query.get('known') ? { known: query.get('known')! } : {}),
  };
}

/** "?where=s001&at=2027-03-01T09%3A00", or nothing where the lens says nothing. */
export function lensQuery(lens: Lens, more: Readonly<Record<string, string>> = {}): string {
  const query = new URLSearchParams(more);
  if (lens.where) query.set('where', lens.where);
  if (lens.at) query.set('at', lens.at);
  if (lens.shopper) query.set('for', lens.shopper);
  if (lens.known) query.set('known', lens.known);
  const text = query.toString();
  return text === '' ? '' : `?${text}`;
}

/** A lens with its names, as a page shows it. */
export interface LensView {
  readonly lens: Lens;
  readonly store: { readonly id: string; readonly name: string; readonly timeZone: string };
  /** Set where the lens looks at a group: its name and its stores, of which `store` is the first. */
  readonly group: { readonly id: string; readonly name: string; readonly stores: readonly string[] } | null;
  /** Wall time at the store. */
  readonly at: string;
  readonly now: string;
  readonly shopper: { readonly id: string; readonly name: string } | null;
  /** The wall time at the store that the plan is looked at as known on; null: now. */
  readonly known: string | null;
  /** What the address asked for and is not there; told to the reader. */
  readonly missing: string | null;
  /** Starts and ends of promotions around the moment, by day. */
  readonly days: readonly {
    readonly date: string;
    readonly starts: number;
    readonly ends: number;
  }[];
}
