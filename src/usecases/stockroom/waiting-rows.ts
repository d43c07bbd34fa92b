import type { WaitingEntriesView } from '../../contracts/index.ts';
import { type EntryChange, KEY_MARK, type PriceEntry, tableOf } from '../../contracts/table/index.ts';
import type { PlanDocument } from '../../core/plan/index.ts';
import { namesOf } from '../../core/sentence/index.ts';
import { dateWords, type Writing } from '../../core/writing/index.ts';
import type { CurrentPlan, WaitingEntries } from '../ports/index.ts';
import { entryLabel, namedCells } from './named-entry.ts';
import { cellNames } from './names-of-ids.ts';

type Row = WaitingEntriesView['rows'][number];

/** The rows of a waiting change by name, each with what it says now and would say; those that change most come first. */
export function waitingRows(
  current: CurrentPlan,
  { change, standing }: WaitingEntries,
  writing: Writing,
): Row[] {
  return change.table === 'prices'
    ? priceRows(current, change, writing)
    : plainRows(current.document, change, standing);
}

/** The rows of a change by name, each as it stood before and as it says. */
export function plainRows(document: PlanDocument, change: EntryChange, standing: readonly object[]): Row[] {
  const table = tableOf(change.table);
  const names = cellNames(document);
  const cellsOf = (entry: object) => namedCells(table, entry, names);
  const label = entryLabel(document);
  const before = new Map(standing.map((entry) => [table.keyOf(entry), cellsOf(entry)]));
  const puts = change.puts.map((entry) => ({ key: table.keyOf(entry), after: cellsOf(entry) }));
  const drops = change.drops.map((key) => ({ key, after: null }));
  return [...puts, ...drops].map(({ key, after }) => {
    const was = before.get(key) ?? null;
    return { key, label: label(key, after ?? was), before: was, after };
  });
}

/** Beside a new price stands the one that counts in its place on its day. */
function priceRows({ document }: CurrentPlan, change: EntryChange, writing: Writing): Row[] {
  const names = namesOf(document, writing);
  const items = new Map(document.items.map((item) => [item.sku, item]));
  const zoneOf = new Map(document.stores.map(({ id, zone }) => [id, zone]));
  const { keyOf } = tableOf('prices');
  const label = ({ sku, zone, store, since }: PriceEntry) =>
    [
      `${names.item(sku)} (${sku})`,
      store ? names.store(store) : zone ? names.zone(zone) : 'the chain',
      since ? `from ${dateWords(since, writing)}` : '',
    ]
      .filter(Boolean)
      .join(', ');
  const standsAt = (entry: PriceEntry): string | null => {
    const rows = items.get(entry.sku)?.prices ?? [];
    const zone = entry.zone ?? (entry.store ? zoneOf.get(entry.store) : undefined);
    const scopes = [
      ...(entry.store ? [{ store: entry.store, zone: undefined }] : []),
      ...(zone ? [{ store: undefined, zone }] : []),
      { store: undefined, zone: undefined },
    ];
    for (const scope of scopes) {
      const newest = rows
        .filter((row) => row.store === scope.store && row.zone === scope.zone)
        .filter((row) => (row.since ?? '') <= (entry.since ?? ''))
        .toSorted((a, b) => ((a.since ?? '') < (b.since ?? '') ? 1 : -1))[0];
      if (newest) return newest.price;
    }
    return null;
  };
  const puts = (change.puts as PriceEntry[]).map((entry): Row => {
    const before = standsAt(entry);
    return {
      key: keyOf(entry),
      label: label(entry),
      before: before === null ? null : { price: before },
      after: { price: entry.price },
    };
  });
  const drops = change.drops.map((key): Row => {
    const [sku = '', zone, store, since] = key.split(KEY_MARK);
    const entry = {
      sku,
      ...(zone ? { zone } : {}),
      ...(store ? { store } : {}),
      ...(since ? { since } : {}),
      price: '',
    };
    const price = standsAt(entry);
    return { key, label: label(entry), before: price === null ? null : { price }, after: null };
  });
  return [...puts, ...drops].toSorted((a, b) => Math.abs(changeOf(b)) - Math.abs(changeOf(a)));
}

/** By which part a price changes; what goes or is new changes most. */
function changeOf({ before, after }: Row): number {
  const [was, is] = [Number(before?.price), Number(after?.price)];
  return Number.isFinite(was) && Number.isFinite(is) && was > 0 ? (is - was) / was : Number.POSITIVE_INFINITY;
}
