import { type Person, type TrailChange, writingOf } from '../../contracts/index.ts';
import { WEEKDAY_NAMES } from '../../core/words/index.ts';
import { dateWords, percentWords, type Writing } from '../../core/writing/index.ts';
import type { TrailEntry } from '../ports/index.ts';

type Say = (value: unknown, writing: Writing) => string;

const NOTHING = '–';
const asIs: Say = (value) => String(value);
const yes: Say = (value) => (value ? 'yes' : 'no');
const share: Say = (value, writing) => percentWords(Number(value), writing);
const listed: Say = (value) => (value as readonly string[]).join(', ') || NOTHING;
const oneOf =
  (words: Readonly<Record<string, string>>): Say =>
  (value) =>
    words[String(value)] ?? String(value);
const weekdays: Say = (value) =>
  (value as (keyof typeof WEEKDAY_NAMES)[]).map((day) => WEEKDAY_NAMES[day]).join(', ') || NOTHING;
const shutDays: Say = (value, writing) =>
  (value as readonly { day: string; name: string }[])
    .map(({ day, name }) => `${name} ${dateWords(day, writing)}`)
    .join(', ') || NOTHING;

/** What settings are called, by where they stand in what is kept of a change. */
const SETTINGS: readonly (readonly [path: string, what: string, say: Say])[] = [
  ['name', 'Name', asIs],
  [
    'policy.priceChanges',
    'Which price change counts',
    oneOf({ priority: 'the first by priority', lowest: 'the lowest price' }),
  ],
  [
    'policy.baskets',
    'How deals share a basket',
    oneOf({ best: 'what saves most', priority: 'in order of priority' }),
  ],
  ['policy.marginFloor', 'Margin below which one is warned', share],
  ['another', 'Approved by somebody else', yes],
  ['stockroom', 'Regular prices wait for approval', yes],
  ['tagsTellLowest', 'Shelf tags tell the lowest price before', yes],
  [
    'secondStep.of',
    'Second step of the sign-in',
    oneOf({ administrators: 'of who administers', everybody: 'of everybody' }),
  ],
  ['secondStep.from', 'Second step asked from', (value, writing) => dateWords(String(value), writing)],
  ['house.notEndingOn', 'Nothing ends on', weekdays],
  ['house.longest', 'Days at most', asIs],
  ['house.secondFrom', 'Two approvals from', share],
  ['house.shutDays', 'Days on which stores are shut', shutDays],
  ['payments', 'Ways to pay', listed],
  ['deliveries', 'Ways of delivery', listed],
  ['regions', 'Regions', listed],
  ['linkTags', 'Tags of links', listed],
];

/** What the settings of the chain said before and after; nothing where it was not kept what they said before. */
export function settingChanges({ before, after }: TrailEntry, label: string, person: Person): TrailChange[] {
  if (!before || !after) return [];
  const writing = writingOf(person);
  const differences = SETTINGS.flatMap(([path, what, say]) => {
    const [was, is] = [before, after].map((state) => {
      const value = valueAt(state, path);
      return value === undefined || value === null ? NOTHING : say(value, writing);
    });
    return was === is ? [] : [{ what, before: was!, after: is! }];
  });
  return differences.length === 0 ? [] : [{ label, how: 'changed', differences }];
}

const valueAt = (state: unknown, path: string): unknown =>
  path
    .split('.')
    .reduce<unknown>((part, key) => (part as Record<string, unknown> | null | undefined)?.[key], state);
