import type { ItemDocument, PlanDocument } from '../../core/plan/index.ts';
import { cellReader, joined, said } from './cell-reader.ts';
import { contentOf, contentText } from './content-text.ts';
import { ITEM_NUMBER, KEY_MARK, type Table } from './definition.ts';

/** An item without its prices, which are a table of their own. */
export type ItemEntry = Omit<ItemDocument, 'prices'>;

export const itemsTable: Table<ItemEntry> = {
  name: 'items',
  title: 'Items',
  one: 'item',
  columns: [
    ITEM_NUMBER,
    { field: 'name', title: 'Name', kind: 'text', required: true, also: ['description', 'title'] },
    {
      field: 'node',
      title: 'Group of goods',
      kind: 'text',
      required: true,
      also: ['node', 'category', 'group'],
    },
    { field: 'brand', title: 'Brand', kind: 'text' },
    {
      field: 'gtin',
      title: 'Barcode',
      kind: 'text',
      also: ['gtin', 'ean', 'upc'],
      hint: 'GTIN, check digit and all',
    },
    { field: 'cost', title: 'Cost', kind: 'amount', also: ['cost price', 'purchase price'] },
    { field: 'unit', title: 'Sold by', kind: 'text', also: ['unit'], hint: 'each, kg, l or m' },
    { field: 'weight', title: 'Weight, kg', kind: 'text', also: ['weight'] },
    { field: 'content', title: 'Content', kind: 'text', hint: '0.25 l, 500 g or 20 piece' },
    { field: 'shelf', title: 'Shelf', kind: 'text', also: ['location', 'bay'], hint: 'such as 12-03-2' },
    { field: 'parent', title: 'Variant of', kind: 'text', also: ['parent'] },
    { field: 'tags', title: 'Tags', kind: 'list' },
    { field: 'attributes', title: 'Attributes', kind: 'list', hint: 'name: value; name: value' },
    { field: 'retired', title: 'Retired from', kind: 'date', also: ['retired', 'discontinued'] },
  ],
  keyOf: ({ sku }) => sku,
  toRow: (item) => ({
    sku: item.sku,
    name: item.name,
    node: item.node,
    brand: item.brand ?? '',
    gtin: item.gtin ?? '',
    cost: item.cost ?? '',
    unit: item.unit ?? 'each',
    weight: item.weight ?? '',
    content: contentText(item.content),
    shelf: item.shelf ?? '',
    parent: item.parent ?? '',
    tags: joined(item.tags),
    attributes: Object.entries(item.attributes ?? {})
      .map(([name, value]) => `${name}: ${value}`)
      .join('; '),
    retired: item.retired ?? '',
  }),
  fromRow(row, _, context) {
    const cells = cellReader(row, context);
    const unit = cells.choice('unit', ['each', 'kg', 'l', 'm']);
    const weight = cells.text('weight')?.replace(',', '.');
    if (weight !== undefined && !/^\d{1,6}(\.\d{1,3})?$/.test(weight))
      cells.fault(
        'weight',
        `"${weight}" is no weight`,
        'kilograms with at most three decimals, such as 0.25',
      );
    return cells.done(
      said({
        sku: cells.required('sku'),
        name: cells.required('name'),
        node: cells.required('node'),
        // Spreadsheets like to drop the leading zeros of a number and to add spaces to a long one.
        gtin: cells.text('gtin')?.replace(/[\s-]/g, ''),
        brand: cells.text('brand'),
        parent: cells.text('parent'),
        unit: unit === 'each' ? undefined : unit,
        weight,
        cost: cells.amount('cost'),
        attributes: attributesOf(cells.text('attributes'), cells.fault),
        tags: cells.list('tags'),
        content: contentOf(cells),
        shelf: cells.text('shelf'),
        retired: cells.date('retired'),
      }),
    );
  },
};

function attributesOf(
  text: string | undefined,
  fault: (field: string, what: string, wanted: string) => void,
): Record<string, string> | undefined {
  const parts = (text ?? '').split(/[;\n]/).filter((part) => part.trim() !== '');
  const pairs = parts.map((part) => {
    const mark = part.search(/[:=]/);
    if (mark < 1) fault('attributes', `"${part.trim()}" has no name`, 'name: value; name: value');
    return [part.slice(0, mark).trim(), part.slice(mark + 1).trim()] as const;
  });
  return pairs.length === 0 ? undefined : Object.fromEntries(pairs);
}

/** A dated regular price of the chain, a zone or a store. */
export interface PriceEntry {
  readonly sku: string;
  readonly zone?: string;
  readonly store?: string;
  readonly since?: string;
  readonly price: string;
}

const WHOLE_CHAIN = 'chain';

export const pricesTable: Table<PriceEntry> = {
  name: 'prices',
  title: 'Regular prices',
  one: 'regular price',
  columns: [
    ITEM_NUMBER,
    {
      field: 'place',
      title: 'Counts in',
      kind: 'text',
      key: true,
      also: ['place', 'zone', 'scope'],
      hint: 'the chain, or a zone or store by name',
    },
    { field: 'since', title: 'From', kind: 'date', key: true, also: ['since', 'valid from', 'date'] },
    { field: 'price', title: 'Price', kind: 'amount', required: true, also: ['regular price', 'retail'] },
  ],
  keyOf: ({ sku, zone, store, since }) => [sku, zone ?? '', store ?? '', since ?? ''].join(KEY_MARK),
  toRow: ({ sku, zone, store, since, price }) => ({
    sku,
    place: store ? `store:${store}` : zone ? `zone:${zone}` : WHOLE_CHAIN,
    since: since ?? '',
    price,
  }),
  fromRow(row, _, context) {
    const cells = cellReader(row, context);
    const place = cells.text('place') ?? WHOLE_CHAIN;
    const [kind, id] = place.split(/:\s*/, 2) as [string, string?];
    const known = place.toLowerCase() === WHOLE_CHAIN || ((kind === 'zone' || kind === 'store') && id);
    if (!known)
      cells.fault(
        'place',
        `"${place}" is no place of a price`,
        'the chain, or the name or id of a zone or store',
      );
    const price = cells.amount('price');
    if (price === undefined && cells.text('price') === undefined)
      cells.fault('price', 'nothing stands here', 'an amount such as 12.50');
    return cells.done(
      said({
        sku: cells.required('sku'),
        zone: kind === 'zone' ? id : undefined,
        store: kind === 'store' ? id : undefined,
        since: cells.date('since'),
        price: price ?? '0',
      }),
    );
  },
};

type NodeEntry = PlanDocument['nodes'][number];

export const nodesTable: Table<NodeEntry> = {
  name: 'nodes',
  title: 'Groups of goods',
  one: 'group of goods',
  columns: [
    { field: 'id', title: 'Id', kind: 'text', key: true, required: true, also: ['node', 'code'] },
    { field: 'name', title: 'Name', kind: 'text', required: true },
    { field: 'parent', title: 'Within', kind: 'text', also: ['parent'] },
  ],
  keyOf: ({ id }) => id,
  toRow: ({ id, name, parent }) => ({ id, name, parent: parent ?? '' }),
  fromRow(row, _, context) {
    const cells = cellReader(row, context);
    return cells.done(
      said({ id: cells.required('id'), name: cells.required('name'), parent: cells.text('parent') }),
    );
  },
};
