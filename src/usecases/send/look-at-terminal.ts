import { type Person, sees, type TerminalLacks, type TerminalView } from '../../contracts/index.ts';
import { isEmpty, storeDifference } from '../../core/price-file/index.ts';
import { triedCodes } from '../codes/tried-codes.ts';
import { seenBy } from '../people/index.ts';
import type { CodeStore, CurrentPlan, PlanBook, SendingStore, SentFile } from '../ports/index.ts';
import { terminalRow } from './terminal-row.ts';

/** One terminal with its story; null: there is none of that name for the person. */
export async function lookAtTerminal(
  ports: { book: PlanBook; sending: SendingStore; codes: CodeStore },
  person: Person,
  id: string,
  now: number,
): Promise<TerminalView | null> {
  const status = await ports.sending.terminal(id);
  if (!status || !sees(person, status.store)) return null;
  const current = await seenBy(ports.book, person);
  const fileOf = (number: number | null): Promise<SentFile | null> =>
    number === null ? Promise.resolve(null) : ports.sending.sentFile(status.store, number);
  const [held, wanted, story] = await Promise.all([
    fileOf(status.holds),
    fileOf(status.wanted),
    ports.sending.story(id),
  ]);
  const tried = await triedCodes(ports, person, current.compiled, now);
  return {
    ...terminalRow(current.compiled, status, now),
    lacks: wanted && status.holds !== status.wanted ? lacksOf(current, held, wanted) : null,
    keyChangedAt: status.keyChangedAt,
    wholeAskedAt: status.wholeAskedAt,
    wantedSince: wanted?.createdAt ?? null,
    story,
    wrongCodes: tried.find(({ terminal }) => terminal === id)?.wrong ?? null,
  };
}

function lacksOf({ document }: CurrentPlan, held: SentFile | null, wanted: SentFile): TerminalLacks | null {
  const difference = storeDifference(held?.manifest ?? null, wanted.manifest);
  if (isEmpty(difference)) return null;
  const { promotions, items, other } = difference;
  const names = new Map(document.promotions.map(({ id, name }) => [id, name]));
  const named = (ids: readonly string[], how: TerminalLacks['promotions'][number]['how']) =>
    ids.map((id) => ({ id, name: names.get(id) ?? id, how }));
  return {
    promotions: [
      ...named(promotions.added, 'new'),
      ...named(promotions.changed, 'changed'),
      ...named(promotions.gone, 'gone'),
    ],
    items: items.added.length + items.changed.length + items.gone.length,
    other,
  };
}
