import type { BeginningStep } from '../../contracts/view/index.ts';

/** What each step of a chain that begins is, what it is for, and where it is done. */
export const BEGINNING_WORDS: Readonly<
  Record<BeginningStep['step'], { readonly what: string; readonly why: string; readonly path: string }>
> = {
  stores: {
    what: 'Stores',
    why: 'One by one, or all of them from a file. Stores that price alike share a zone.',
    path: '/stockroom/stores',
  },
  groups: {
    what: 'Groups of goods',
    why: 'Promotions, ranges and reports go by them.',
    path: '/stockroom/nodes',
  },
  goods: {
    what: 'Goods with a price',
    why: 'From a file, or one by one: what has no price is not sold. Regular prices count at once until you ask for approval, at the Stockroom.',
    path: '/stockroom/items',
  },
  people: {
    what: 'Somebody else who plans',
    why: 'What one has written another approves, unless the rules of work say otherwise.',
    path: '/stockroom/people',
  },
  terminals: {
    what: 'Terminals',
    why: 'The tills and shelf devices of each store, by the ids that they say.',
    path: '/stockroom/terminals',
  },
  keys: {
    what: 'A key for a terminal',
    why: 'Given on its own page, shown once, and put into the terminal.',
    path: '/send',
  },
  sent: {
    what: 'The first prices sent',
    why: 'Each store gets a price file of its own, signed and numbered.',
    path: '/send',
  },
};
