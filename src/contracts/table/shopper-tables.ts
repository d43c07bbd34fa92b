import type { ShopperDocument, ShopperGroupDocument } from '../../core/plan/index.ts';
import { type CellReader, cellReader, joined, said } from './cell-reader.ts';
import { NAMED, type Table } from './definition.ts';

const YES = 'yes';

/** "2750 of 13 digits": how the numbers of cards begin, and how long they are. */
const cardsText = (cards: ShopperGroupDocument['cards']): string =>
  cards ? `${cards.prefix} of ${cards.digits} digits` : '';

function cardsOf(cells: CellReader): ShopperGroupDocument['cards'] {
  const text = cells.text('cards');
  if (text === undefined) return undefined;
  const match = /^(\d{1,12})\s+of\s+(\d{1,2})(?:\s+digits)?$/.exec(text);
  if (match) return { prefix: match[1]!, digits: Number(match[2]) };
  cells.fault('cards', `"${text}" does not say which cards`, 'such as “2750 of 13 digits”');
  return undefined;
}

function joiningOf(cells: CellReader): true | undefined {
  const text = cells.text('joining')?.toLowerCase();
  if (text !== undefined && text !== YES && text !== 'no')
    cells.fault('joining', `"${text}" is neither`, '“yes”, or nothing');
  return text === YES ? true : undefined;
}

export const shopperGroupsTable: Table<ShopperGroupDocument> = {
  name: 'shopperGroups',
  title: 'Kinds of shopper',
  one: 'kind of shopper',
  columns: [
    ...NAMED,
    { field: 'priceList', title: 'Price list', kind: 'text', also: ['price list'] },
    { field: 'cards', title: 'Cards that tell it', kind: 'text', also: ['cards'], hint: '2750 of 13 digits' },
    { field: 'joining', title: 'May be asked for', kind: 'text', also: ['joining'], hint: 'yes, or nothing' },
  ],
  keyOf: ({ id }) => id,
  toRow: ({ id, name, priceList, cards, joining }) => ({
    ...{ id, name, priceList: priceList ?? '' },
    ...{ cards: cardsText(cards), joining: joining ? YES : '' },
  }),
  fromRow(row, _, context) {
    const cells = cellReader(row, context);
    return cells.done(
      said({
        id: cells.required('id'),
        name: cells.required('name'),
        priceList: cells.text('priceList'),
        cards: cardsOf(cells),
        joining: joiningOf(cells),
      }),
    );
  },
};

export const shoppersTable: Table<ShopperDocument> = {
  name: 'shoppers',
  title: 'Accounts and own terms',
  one: 'shopper',
  columns: [
    { field: 'id', title: 'Number', kind: 'text', key: true, required: true, also: ['number', 'shopper'] },
    { field: 'name', title: 'Name of an account', kind: 'text', also: ['name'] },
    { field: 'account', title: 'Belongs to', kind: 'text', also: ['account'] },
    { field: 'groups', title: 'Kinds', kind: 'list', also: ['groups', 'kinds of shopper'] },
    { field: 'priceList', title: 'Own price list', kind: 'text', also: ['price list'] },
  ],
  keyOf: ({ id }) => id,
  toRow: ({ id, name, account, groups, priceList }) => ({
    ...{ id, name: name ?? '', account: account ?? '' },
    ...{ groups: joined(groups), priceList: priceList ?? '' },
  }),
  fromRow(row, before, context) {
    const cells = cellReader(row, context);
    return cells.done(
      said({
        id: cells.required('id'),
        name: cells.text('name'),
        account: cells.text('account'),
        groups: cells.list('groups'),
        priceList: cells.text('priceList'),
        pastOrders: before?.pastOrders,
        lifetimeSpend: before?.lifetimeSpend,
      }),
    );
  },
};
