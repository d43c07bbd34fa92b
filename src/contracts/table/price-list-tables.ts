import type { PriceListDocument, RoundingDocument } from '../../core/plan/index.ts';
import { type CellReader, cellReader, percentText, said } from './cell-reader.ts';
import { readAmountText } from './decimal.ts';
import { ITEM_NUMBER, KEY_MARK, NAMED, type ReadContext, type Table } from './definition.ts';

const MODES = ['nearest', 'up', 'down'] as const;

/** "up to 0.05"; "nearest to endings 0.49 0.99", "… of each 10.00" where it is not one major unit. */
export function roundingText(rounding: RoundingDocument | undefined): string {
  if (!rounding) return '';
  if ('step' in rounding) return `${rounding.mode} to ${rounding.step}`;
  const per = rounding.per === undefined ? '' : ` of each ${rounding.per}`;
  return `${rounding.mode} to endings ${rounding.endings.join(' ')}${per}`;
}

function readRounding(cells: CellReader, context: ReadContext): RoundingDocument | undefined {
  const text = cells.text('rounding');
  if (text === undefined) return undefined;
  const match = /^(\w+) to (endings )?([\d.,\s]+?)(?: of each ([\d.,]+))?$/.exec(text);
  const mode = MODES.find((one) => one === match?.[1]);
  const amounts = (match?.[3] ?? '').split(/\s+/).map((part) => readAmountText(part, context.currency));
  if (!match || !mode || amounts.some(({ ok }) => !ok) || (!match[2] && amounts.length > 1)) {
    cells.fault(
      'rounding',
      `"${text}" is no rounding`,
      'such as “up to 0.05” or “nearest to endings 0.49 0.99”',
    );
    return undefined;
  }
  const values = amounts.map((read) => (read.ok ? read.amount : ''));
  if (!match[2]) return { step: values[0]!, mode };
  return said({ endings: values, per: match[4], mode });
}

export const priceListsTable: Table<PriceListDocument> = {
  name: 'priceLists',
  title: 'Price lists',
  one: 'price list',
  columns: [
    ...NAMED,
    { field: 'percent', title: 'Over or under the regular price, %', kind: 'percent', also: ['percent'] },
    { field: 'rounding', title: 'Rounded', kind: 'text', also: ['rounding'], hint: 'such as “up to 0.05”' },
    { field: 'own', title: 'Own prices', kind: 'text', shown: true },
  ],
  keyOf: ({ id }) => id,
  toRow: (list) => ({
    id: list.id,
    name: list.name,
    percent: percentText(list.percent),
    rounding: roundingText(list.rounding),
  }),
  fromRow(row, before, context) {
    const cells = cellReader(row, context);
    return cells.done(
      said({
        id: cells.required('id'),
        name: cells.required('name'),
        percent: cells.percent('percent'),
        rounding: readRounding(cells, context),
        prices: before?.prices,
      }),
    );
  },
};

/** The own price of an item in a price list. */
export interface ListPriceEntry {
  readonly list: string;
  readonly sku: string;
  readonly price: string;
}

export const listPricesTable: Table<ListPriceEntry> = {
  name: 'listPrices',
  title: 'Own prices of lists',
  one: 'own price',
  columns: [
    { field: 'list', title: 'Price list', kind: 'text', key: true, required: true, also: ['list'] },
    ITEM_NUMBER,
    { field: 'price', title: 'Price', kind: 'amount', required: true },
  ],
  keyOf: ({ list, sku }) => [list, sku].join(KEY_MARK),
  toRow: ({ list, sku, price }) => ({ list, sku, price }),
  fromRow(row, _, context) {
    const cells = cellReader(row, context);
    const price = cells.amount('price');
    if (cells.text('price') === undefined)
      cells.fault('price', 'nothing stands here', 'an amount such as 12.50');
    return cells.done({ list: cells.required('list'), sku: cells.required('sku'), price: price ?? '0' });
  },
};
