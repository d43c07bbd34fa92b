import type { PlanDocument, StoreDocument } from '../../core/plan/index.ts';
import { cellReader, joined, said } from './cell-reader.ts';
import { NAMED, type Table } from './definition.ts';
import { hoursOf, hoursText } from './hours-text.ts';

export const storesTable: Table<StoreDocument> = {
  name: 'stores',
  title: 'Stores',
  one: 'store',
  columns: [
    { field: 'id', title: 'Id', kind: 'text', key: true, required: true, also: ['store', 'number'] },
    { field: 'name', title: 'Name', kind: 'text', required: true },
    { field: 'timeZone', title: 'Clock', kind: 'text', required: true, also: ['time zone', 'timezone'] },
    { field: 'zone', title: 'Price zone', kind: 'text', also: ['zone'] },
    { field: 'region', title: 'Region', kind: 'text' },
    { field: 'tags', title: 'Tags', kind: 'list' },
    {
      field: 'hours',
      title: 'Open',
      kind: 'text',
      also: ['hours', 'opening hours'],
      hint: 'mon-sat 8:00-20:00; sun 10:00-16:00',
    },
  ],
  keyOf: ({ id }) => id,
  toRow: ({ id, name, timeZone, zone, region, tags, hours }) => ({
    id,
    name,
    timeZone,
    zone: zone ?? '',
    region: region ?? '',
    tags: joined(tags),
    hours: hoursText(hours),
  }),
  fromRow(row, before, context) {
    const cells = cellReader(row, context);
    return cells.done(
      said({
        id: cells.required('id'),
        name: cells.required('name'),
        timeZone: cells.required('timeZone'),
        zone: cells.text('zone'),
        region: cells.text('region'),
        tags: cells.list('tags'),
        hours: hoursOf(cells),
        shelves: before?.shelves,
      }),
    );
  },
};

export const zonesTable: Table<{ id: string; name: string }> = {
  name: 'zones',
  title: 'Price zones',
  one: 'price zone',
  columns: [...NAMED],
  keyOf: ({ id }) => id,
  toRow: ({ id, name }) => ({ id, name }),
  fromRow(row, _, context) {
    const cells = cellReader(row, context);
    return cells.done({ id: cells.required('id'), name: cells.required('name') });
  },
};

type TerminalEntry = NonNullable<PlanDocument['terminals']>[number];

export const terminalsTable: Table<TerminalEntry> = {
  name: 'terminals',
  title: 'Terminals',
  one: 'terminal',
  columns: [
    { field: 'id', title: 'Id', kind: 'text', key: true, required: true },
    { field: 'store', title: 'Store', kind: 'text', required: true },
    { field: 'tags', title: 'Tags', kind: 'list' },
  ],
  keyOf: ({ id }) => id,
  toRow: ({ id, store, tags }) => ({ id, store, tags: joined(tags) }),
  fromRow(row, _, context) {
    const cells = cellReader(row, context);
    return cells.done(
      said({ id: cells.required('id'), store: cells.required('store'), tags: cells.list('tags') }),
    );
  },
};
