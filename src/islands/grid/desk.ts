import { AGAINSTS, type Against, type LensView } from '../../contracts/view/index.ts';

/** Which goods of the grid are looked at, what their prices are held against, and which columns are opened. */
export interface GridDesk {
  readonly node: string | null;
  readonly text: string;
  readonly against: Against | null;
  /** The other date, store, promotion or kind of shopper; null: not chosen yet, or a guest. */
  readonly other: string | null;
  readonly onlyChanged: boolean;
  /** Columns of several stores that stand open, by their first store. */
  readonly open: ReadonlySet<string>;
}

export type GridEvent =
  | { readonly type: 'narrowed'; readonly node: string | null }
  | { readonly type: 'searched'; readonly text: string }
  | { readonly type: 'held-against'; readonly against: Against | null; readonly other: string | null }
  | { readonly type: 'only-changed'; readonly on: boolean }
  /** A column is opened, or closed again. */
  | { readonly type: 'toggled'; readonly store: string };

export function gridAfter(desk: GridDesk, event: GridEvent): GridDesk {
  switch (event.type) {
    case 'narrowed':
      return { ...desk, node: event.node };
    case 'searched':
      return { ...desk, text: event.text };
    case 'held-against': {
      const { against, other } = event;
      return { ...desk, against, other, onlyChanged: against !== null && desk.onlyChanged };
    }
    case 'only-changed':
      return { ...desk, onlyChanged: event.on };
    case 'toggled': {
      const open = new Set(desk.open);
      if (!open.delete(event.store)) open.add(event.store);
      return { ...desk, open };
    }
  }
}

const isAgainst = (text: string | null): text is Against => AGAINSTS.some((one) => one === text);

/** The desk that an address names, so that a link shows the same to whoever opens it. */
export function gridDesk(address: URLSearchParams): GridDesk {
  const against = address.get('against');
  return {
    node: address.get('node'),
    text: address.get('q') ?? '',
    against: isAgainst(against) ? against : null,
    other: isAgainst(against) ? address.get('other') : null,
    onlyChanged: isAgainst(against) && address.get('changed') === '1',
    open: new Set(),
  };
}

/** What the address of the page says of the desk. */
export function addressOf({ node, text, against, other, onlyChanged }: GridDesk): Record<string, string> {
  return {
    ...(node ? { node } : {}),
    ...(text ? { q: text } : {}),
    ...(against ? { against, ...(other ? { other } : {}) } : {}),
    ...(against && onlyChanged ? { changed: '1' } : {}),
  };
}

/** What prices are held against must be named, but for a guest and what terminals hold. */
const isWhole = ({ against, other }: GridDesk): boolean =>
  against === null || against === 'held' || against === 'shopper' || other !== null;

/** What the server is asked: without what is not chosen to its end. */
export function gridQuestion(desk: GridDesk, { lens, at }: Pick<LensView, 'lens' | 'at'>): URLSearchParams {
  const whole = isWhole(desk) ? desk : { ...desk, against: null };
  const asked = new URLSearchParams({ at, ...addressOf(whole) });
  if (lens.where) asked.set('where', lens.where);
  if (lens.shopper) asked.set('for', lens.shopper);
  if (lens.known) asked.set('known', lens.known);
  return asked;
}
