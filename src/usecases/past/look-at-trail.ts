import {
  done,
  failed,
  type Outcome,
  type Person,
  type TrailAbout,
  type TrailEntryView,
  type TrailRequest,
  type TrailView,
} from '../../contracts/index.ts';
import { TABLES, type TableName, tableOf } from '../../contracts/table/index.ts';
import {
  dayNumber,
  formatLocalDate,
  type Instant,
  parseLocalDate,
  parseMoment,
} from '../../core/calendar/index.ts';
import { knownText } from '../check/index.ts';
import { seenBy } from '../people/index.ts';
import type {
  CurrentPlan,
  HistoryStore,
  PlanBook,
  PlanPast,
  TrailEntry,
  TrailQuestion,
} from '../ports/index.ts';
import { settingChanges } from './setting-changes.ts';
import { promotionChanges, rowChanges } from './trail-changes.ts';

const PAGE = 50;

/** The kinds of entries in each part. */
const KINDS = {
  promotions: ['promotion', 'proposal', 'codes'],
  stockroom: ['entries', 'many-entries', 'waiting entries', 'plan'],
  sending: ['sending', 'signing key', 'terminal key'],
  chain: ['chain', 'work rules', 'chain words', 'person', 'shopper'],
} as const;
/** Kinds whose entries change what prices. */
const PRICES: readonly string[] = ['promotion', 'entries', 'many-entries', 'plan', 'chain'];
/** Tables that say something of an item by its number. */
const OF_ITEMS: readonly TableName[] = ['items', 'prices', 'listPrices', 'setItems'];

/** Who did what, when, and what it was before, the newest first. For people of the whole chain. */
export async function lookAtTrail(
  ports: { book: PlanBook; past: PlanPast; history: HistoryStore },
  person: Person,
  asked: TrailRequest,
): Promise<Outcome<TrailView>> {
  if (person.stores !== null) return failed({ kind: 'forbidden' });
  const current = await seenBy(ports.book, person);
  const found = await ports.history.entries(questionOf(asked, current));
  const shown = found.slice(0, PAGE);
  const since = await ports.past.since();
  return done({
    entries: shown.map((entry) => viewOf(entry, current, person, since)),
    people: await ports.history.people(),
    of: nameOf(asked, current),
    before: found.length > PAGE ? shown.at(-1)!.id : null,
  });
}

function questionOf(
  { part, promotion, item, table, entry, by, until, before }: TrailRequest,
  { compiled }: CurrentPlan,
): TrailQuestion {
  const about =
    promotion !== undefined
      ? { kinds: KINDS.promotions, subject: promotion }
      : item !== undefined
        ? { row: { tables: OF_ITEMS, field: 'sku', value: item } }
        : table !== undefined && entry !== undefined
          ? { row: { tables: [table], field: 'id', value: entry } }
          : table !== undefined
            ? { kinds: KINDS.stockroom, subject: table }
            : { kinds: part && KINDS[part] };
  return {
    ...about,
    person: by,
    before,
    until: until === undefined ? undefined : endOf(until, compiled),
    limit: PAGE + 1,
  };
}

/** The end of a day at the stores where it ends last. */
function endOf(day: string, { plan, clockOf }: CurrentPlan['compiled']): Date {
  const next = `${formatLocalDate(dayNumber(parseLocalDate(day)! + 1))}T00:00`;
  return new Date(Math.max(...plan.stores.map((store) => parseMoment(next, clockOf(store))!)) - 1);
}

function nameOf({ promotion, item, table, entry }: TrailRequest, { document }: CurrentPlan): string | null {
  if (promotion !== undefined)
    return document.promotions.find(({ id }) => id === promotion)?.name ?? promotion;
  if (item !== undefined) return document.items.find(({ sku }) => sku === item)?.name ?? item;
  if (table === undefined) return null;
  return entry === undefined ? tableOf(table).title : `${tableOf(table).one} ${entry}`;
}

function viewOf(
  entry: TrailEntry,
  current: CurrentPlan,
  person: Person,
  since: Instant | null,
): TrailEntryView {
  const { id, at, person: name, action } = entry;
  const moment = Date.parse(at);
  return {
    ...{ id, at, person: name, action, about: aboutOf(entry, current) },
    changes: changesOf(entry, current, person),
    known:
      changesPrices(entry) && since !== null && moment > since
        ? { before: knownText((moment - 1) as Instant), after: knownText((moment + 1) as Instant) }
        : null,
  };
}

/** A draft prices nothing. */
function changesPrices({ kind, before, after }: TrailEntry): boolean {
  if (kind !== 'promotion') return PRICES.includes(kind);
  return [before, after].some((state) => (state as { status?: string } | null)?.status === 'approved');
}

/** What the settings are called of which an entry of a kind tells. */
const SETTINGS_OF: Readonly<Record<string, string>> = {
  chain: 'The chain',
  'work rules': 'Rules',
  'chain words': 'Words',
};

function changesOf(entry: TrailEntry, current: CurrentPlan, person: Person): TrailEntryView['changes'] {
  if (entry.kind === 'promotion' || entry.kind === 'proposal')
    return promotionChanges(entry, current, person);
  const settings = SETTINGS_OF[entry.kind];
  if (entry.kind === 'shopper') return [...broughtIn(entry), ...kindChanges(entry, current)];
  if (settings !== undefined) return settingChanges(entry, settings, person);
  return entry.kind === 'entries' ? rowChanges(entry, current, person) : [];
}

/** How many people of a file that is too long to tell them one by one. */
function broughtIn({ after }: TrailEntry): TrailEntryView['changes'] {
  const { added, changed } = (after ?? {}) as { added?: number; changed?: number };
  if (added === undefined || changed === undefined) return [];
  const counted = (what: string, count: number) => ({ what, before: '–', after: String(count) });
  const differences = [counted('Made known', added), counted('Changed', changed)];
  return [{ label: 'Known shoppers', how: 'changed', differences }];
}

/** Of which kinds somebody was and is; more of people is in no trail, as it forgets nothing. */
function kindChanges(
  { subject, before, after }: TrailEntry,
  { compiled }: CurrentPlan,
): TrailEntryView['changes'] {
  const said = (state: unknown) =>
    ((state as { groups?: string[] } | null)?.groups ?? [])
      .map((group) => compiled.plan.shopperGroups.find(({ id }) => id === group)?.name ?? group)
      .join(', ') || '–';
  const [was, is] = [said(before), said(after)];
  return was === is
    ? []
    : [
        {
          label: `Shopper ${subject}`,
          how: 'changed',
          differences: [{ what: 'Kinds of shopper', before: was, after: is }],
        },
      ];
}

const isTable = (name: string): name is TableName => TABLES.some((one) => one === name);

function aboutOf({ kind, subject, before, after }: TrailEntry, { document }: CurrentPlan): TrailAbout {
  switch (kind) {
    case 'codes': {
      const promotion = document.promotions.find(({ id }) => id === subject);
      return { kind: 'promotion', id: subject, name: promotion?.name ?? subject };
    }
    case 'promotion':
    case 'proposal': {
      const states = [document.promotions.find(({ id }) => id === subject), after, before];
      const named = states.find((one) => one) as { name: string } | undefined;
      return { kind: 'promotion', id: subject, name: named?.name ?? subject };
    }
    case 'sending':
      return { kind, number: Number(subject), stores: (after as { stores: string[] }).stores.length };
    case 'signing key':
      return { kind: 'key' };
    case 'terminal key':
      return { kind: 'terminal', id: subject };
    case 'shopper':
      return { kind, id: subject };
    case 'person':
      return { kind, name: (after as { name: string }).name };
    case 'chain':
      return { kind: 'chain' };
    case 'work rules':
      return { kind: 'work-rules' };
    case 'chain words':
      return { kind: 'chain-words' };
    default:
      return isTable(subject) ? { kind: 'table', table: subject, rows: rowsIn(after) } : { kind: 'plan' };
  }
}

/** Rows are kept one by one, or only counted where they were thousands. */
function rowsIn(after: unknown): number {
  const { puts = 0, drops = 0 } = (after ?? {}) as Record<'puts' | 'drops', number | object[]>;
  const count = (rows: number | object[]) => (typeof rows === 'number' ? rows : rows.length);
  return count(puts) + count(drops);
}
