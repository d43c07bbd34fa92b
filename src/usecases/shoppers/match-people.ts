import type { CompiledPlan } from '../../core/price-book/index.ts';
import type { KnownPerson, PersonDetails } from '../ports/index.ts';
import type { LineFault } from '../stockroom/index.ts';
import { cardKept } from './fresh-card.ts';
import type { KeepPorts } from './keep-shopper.ts';

/** What a line of a file says of somebody; what it has no column for is not there. */
export interface PersonLine {
  readonly line: number;
  readonly id?: string | null;
  readonly name?: string | null;
  readonly email?: string | null;
  readonly groups?: readonly string[];
  readonly card?: string | null;
}

/** Somebody whom a file makes known, or changes. */
export interface PersonMatched {
  readonly line: number;
  /** Null: somebody new, who has no number yet. */
  readonly id: string | null;
  readonly before: KnownPerson | null;
  readonly after: PersonDetails;
  /** One more card that they hold; null: none. */
  readonly card: string | null;
}

export interface PeopleMatched {
  readonly added: readonly PersonMatched[];
  readonly changed: readonly PersonMatched[];
  /** Those of whom it says what stands already. */
  readonly same: number;
  readonly faults: readonly LineFault[];
}

/** Finds who each line is of, by number, else by card, else by e-mail; whoever is nobody's is somebody new. */
export async function matchPeople(
  ports: KeepPorts,
  compiled: CompiledPlan,
  lines: readonly PersonLine[],
): Promise<PeopleMatched> {
  const standing = await standingOf(ports, lines);
  const faults: LineFault[] = [];
  const seen = new Map<string, number>();
  const matched: PersonMatched[] = [];
  for (const line of lines) {
    const who = whoIn(line, standing, compiled);
    const marks = 'id' in who ? marksOf(line, who.id) : [];
    const twice = marks.find((mark) => seen.has(mark));
    if ('fault' in who) faults.push({ line: line.line, ...who.fault });
    else if (twice !== undefined)
      faults.push({
        line: line.line,
        column: '',
        message: `this is whom line ${seen.get(twice)} is of as well; wanted: one line for each`,
      });
    else matched.push(matchedWith(line, who.id, standing));
    for (const mark of marks) if (!seen.has(mark)) seen.set(mark, line.line);
  }
  const isNew = ({ before }: PersonMatched) => before === null;
  const changes = matched.filter((one) => !isNew(one) && isChanged(one));
  const added = matched.filter(isNew);
  return { added, changed: changes, same: matched.length - added.length - changes.length, faults };
}

interface Standing {
  readonly people: ReadonlyMap<string, KnownPerson>;
  /** Whose card it is, by its number; nobody's are left out. */
  readonly holders: ReadonlyMap<string, string>;
  /** By address in small letters. */
  readonly byEmail: ReadonlyMap<string, readonly string[]>;
}

/** All that is known of whom the lines may mean, asked in few questions. */
async function standingOf(
  { shoppers, codeSeal }: KeepPorts,
  lines: readonly PersonLine[],
): Promise<Standing> {
  const cards = lines.flatMap(({ card }) =>
    card == null ? [] : [{ card, hash: cardKept(codeSeal, card).hash }],
  );
  const byHash = await shoppers.holders(cards.map(({ hash }) => hash));
  const holders = new Map(
    cards.flatMap(({ card, hash }) => {
      const holder = byHash.get(Buffer.from(hash).toString('hex'));
      return holder === undefined ? [] : [[card, holder] as const];
    }),
  );
  const byEmail = await shoppers.withEmails(lines.flatMap(({ email }) => email ?? []));
  const ids = new Set([
    ...lines.flatMap(({ id }) => id ?? []),
    ...holders.values(),
    ...[...byEmail.values()].flat(),
  ]);
  const people = await shoppers.people([...ids]);
  return { people: new Map(people.map((one) => [one.id, one])), holders, byEmail };
}

type Who = { readonly id: string | null } | { readonly fault: Omit<LineFault, 'line'> };

const wrong = (column: string, message: string): Who => ({ fault: { column, message } });

function whoIn(
  { id = null, card = null, email = null }: PersonLine,
  standing: Standing,
  compiled: CompiledPlan,
): Who {
  const holder = card === null ? null : (standing.holders.get(card) ?? null);
  if (id !== null) {
    const record = compiled.shoppers.get(id);
    if (record != null && record.name !== null)
      return wrong('id', `"${id}" is the number of an account; wanted: the number of one of its people`);
    if (!record && !standing.people.has(id))
      return wrong(
        'id',
        `nobody has the number "${id}"; wanted: a number that is known here, or nothing for somebody new`,
      );
    if (holder !== null && holder !== id)
      return wrong('card', `the card is that of number "${holder}"; wanted: the number of another card`);
    return { id };
  }
  if (holder !== null) return { id: holder };
  const same = email === null ? [] : (standing.byEmail.get(email.toLowerCase()) ?? []);
  if (same.length > 1)
    return wrong(
      'email',
      `"${email}" is the address of ${same.length} people; wanted: the number of the one who is meant`,
    );
  if (same.length === 1) return { id: same[0]! };
  if (card === null && email === null)
    return wrong('', 'nothing says who this is; wanted: a number, a card or an e-mail');
  return { id: null };
}

/** By what two lines are seen to be of one person. */
function marksOf({ card = null, email = null }: PersonLine, id: string | null): string[] {
  if (id !== null) return [`number ${id}`, ...(card === null ? [] : [`card ${card}`])];
  return [
    ...(card === null ? [] : [`card ${card}`]),
    ...(email === null ? [] : [`email ${email.toLowerCase()}`]),
  ];
}

function matchedWith(
  { line, name, email, groups, card = null }: PersonLine,
  id: string | null,
  { people, holders }: Standing,
): PersonMatched {
  const before = id === null ? null : (people.get(id) ?? null);
  return {
    line,
    id,
    before,
    after: {
      name: name === undefined ? (before?.name ?? null) : name,
      email: email === undefined ? (before?.email ?? null) : email,
      groups: groups ?? before?.groups ?? [],
    },
    card: card !== null && holders.has(card) ? null : card,
  };
}

const isChanged = ({ before, after, card }: PersonMatched): boolean =>
  card !== null ||
  before!.name !== after.name ||
  before!.email !== after.email ||
  before!.groups.toSorted().join('\n') !== after.groups.toSorted().join('\n');
