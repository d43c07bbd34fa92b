import type { TableName } from '../../contracts/table/index.ts';
import type { BeginningStep } from '../../contracts/view/index.ts';

/** What each step of a chain that begins is, what it is for, and where it is done. */
export const BEGINNING_WORDS: Readonly<
  Record<
    BeginningStep['step'],
    { readonly what: string; readonly why: string; readonly path: string; readonly table?: TableName }
  >
> = {
  zones: {
    what: 'Price zones',
    why: 'Only where goods cost something else in some of the stores: those that price alike share one.',
    path: '/stockroom/zones',
    table: 'zones',
  },
  stores: {
    what: 'Stores',
    why: 'Where they are, and by which clock they open; each in its zone, if there are any.',
    path: '/stockroom/stores',
    table: 'stores',
  },
  groups: {
    what: 'Groups of goods',
    why: 'Promotions, ranges and reports go by them.',
    path: '/stockroom/nodes',
    table: 'nodes',
  },
  goods: {
    what: 'Goods with a price',
    why: 'What has no price is not sold. Regular prices count at once until you ask for approval, at the Stockroom.',
    path: '/stockroom/items',
    table: 'items',
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
    table: 'terminals',
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
