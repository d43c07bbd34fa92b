import {
  type BringInView,
  done,
  failed,
  invalid,
  type Matching,
  type Outcome,
  PEOPLE_COLUMNS,
  type Person,
  readShopperRow,
} from '../../contracts/index.ts';
import type { CompiledPlan } from '../../core/price-book/index.ts';
import { maySeeShoppers } from '../known/index.ts';
import { seenBy } from '../people/index.ts';
import type { PersonBroughtIn } from '../ports/index.ts';
import { guessMatching, type LineFault, likeFaults } from '../stockroom/index.ts';
import { changedPeople } from './changed-people.ts';
import { cardKept } from './fresh-card.ts';
import { freeNumbers, type KeepPorts } from './keep-shopper.ts';
import { matchPeople, type PersonLine } from './match-people.ts';

export interface PeopleFile {
  readonly heads: readonly string[];
  readonly rows: readonly (readonly string[])[];
  /** The line of the file on which each row stands. */
  readonly lines: readonly number[];
  /** What the person chose; null: a guess. */
  readonly matching: Matching | null;
  /** Only tells what it would do. */
  readonly dry: boolean;
}

const FAULTS_TOLD = 200;
const SAMPLE = 5;

/** Makes the people of a file known, or changes what is said of them: all of them or none. */
export async function bringPeopleIn(
  ports: KeepPorts,
  person: Person,
  file: PeopleFile,
  now: Date,
): Promise<Outcome<BringInView>> {
  if (!maySeeShoppers(person)) return failed({ kind: 'forbidden' });
  const { compiled } = await seenBy(ports.book, person);
  const matching = file.matching ?? guessMatching(file.heads, PEOPLE_COLUMNS);
  const view = {
    ...{ heads: file.heads, matching, remembered: false, waits: null },
    ...{ rows: file.rows.length, sample: file.rows.slice(0, SAMPLE) },
  };
  const nothing = { added: 0, changed: 0, same: 0, refused: 0, faults: [], cells: [], columns: [] };
  const fields = new Set(Object.values(matching));
  if (!['id', 'card', 'email'].some((field) => fields.has(field)))
    return done({ ...view, ...nothing, done: false, against: [WHO] });
  const { lines, faults } = readLines(file, matching, compiled);
  const matched = await matchPeople(ports, compiled, lines);
  const all = [...faults, ...matched.faults].map((fault) => ({ ...fault, column: headOf(fault.column) }));
  const refused = new Set(all.map(({ line }) => line)).size;
  const { added, changed, same } = matched;
  const told = {
    ...view,
    ...{ added: added.length, changed: changed.length, same, refused, against: [] },
    faults: likeFaults(all).slice(0, FAULTS_TOLD),
    ...changedPeople(changed, compiled),
  };
  if (file.dry || all.length > 0) return done({ ...told, done: false });
  const numbers = await freeNumbers(ports, compiled, added.filter(({ id }) => id === null).length);
  const people = [...added, ...changed].map((one): PersonBroughtIn => {
    const id = one.id ?? numbers.pop()!;
    return { id, details: one.after, card: one.card === null ? null : cardKept(ports.codeSeal, one.card) };
  });
  const written = people.length === 0 || (await ports.shoppers.bringIn(people, person.id, now));
  return written
    ? done({ ...told, done: true })
    : invalid([], 'somebody was given one of its cards meanwhile', 'the file looked at once more');

  function headOf(field: string): string {
    return Object.entries(matching).find(([, of]) => of === field)?.[0] ?? '';
  }
}

const WHO = 'No column of the file says who it is: a number, a card or an e-mail. Say below which one does.';

/** The rows that can be read; what is wrong with the others, by line and field. */
function readLines(
  file: PeopleFile,
  matching: Matching,
  compiled: CompiledPlan,
): { lines: PersonLine[]; faults: LineFault[] } {
  const places = file.heads.flatMap((head, i) => (matching[head] ? [{ field: matching[head], i }] : []));
  const kindOf = new Map(
    compiled.plan.shopperGroups.flatMap(({ id, name }) => [
      [id.toLowerCase(), id],
      [name.toLowerCase(), id],
    ]),
  );
  const lines: PersonLine[] = [];
  const faults: LineFault[] = [];
  file.rows.forEach((row, at) => {
    const line = file.lines[at]!;
    const cells = Object.fromEntries(places.map(({ field, i }) => [field, row[i] ?? '']));
    const read = readShopperRow(cells);
    const kinds = cells.groups === undefined ? null : partsOf(cells.groups);
    const unknown = (kinds ?? []).filter((kind) => !kindOf.has(kind.toLowerCase()));
    const wrong = [
      ...(read.ok
        ? []
        : read.faults.map(({ path, what, wanted }) => ({
            column: String(path[0]),
            message: `${what.replace(/^"[^"]*"/, () => JSON.stringify(cells[String(path[0])] ?? ''))}; wanted: ${wanted}`,
          }))),
      ...unknown.map((kind) => ({
        column: 'groups',
        message: `no kind of shopper is called "${kind}"; wanted: one of ${kindsThere(compiled)}`,
      })),
    ];
    faults.push(...wrong.map((fault) => ({ line, ...fault })));
    if (!read.ok || unknown.length > 0) return;
    const groups =
      kinds === null ? {} : { groups: kinds.map((kind) => kindOf.get(kind.toLowerCase())!).sort() };
    lines.push({ line, ...read.value, ...groups });
  });
  return { lines, faults };
}

const partsOf = (text: string): string[] => [
  ...new Set(
    text
      .split(/[;,\n]/)
      .map((part) => part.trim())
      .filter((part) => part !== ''),
  ),
];

const kindsThere = ({ plan }: CompiledPlan): string =>
  plan.shopperGroups.map(({ name }) => name).join(', ') || 'none: there are no kinds';
