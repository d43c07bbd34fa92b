import { done, failed, invalid, may, type Outcome, type Person } from '../../contracts/index.ts';
import type { DraftStore } from '../ports/index.ts';

/** More than anybody writes at once; what is never taken up again is dropped by hand. */
const MOST_DRAFTS = 200;
const LONGEST_KEY = 300;

/** Keeps what a person is writing and has not saved; it may lack anything that a promotion needs. */
export async function keepDraft(
  ports: { drafts: DraftStore },
  person: Person,
  { key, draft, revision }: { key: string; draft: object; revision: number | null },
): Promise<Outcome<{ ok: true }>> {
  if (!may(person, 'plan')) return failed({ kind: 'forbidden' });
  if (key.length > LONGEST_KEY)
    return invalid(['key'], `it has ${key.length} characters`, `at most ${LONGEST_KEY}`);
  const others = await ports.drafts.othersThan(person.id, key);
  if (others >= MOST_DRAFTS)
    return invalid(
      [],
      `${others} unsaved drafts of yours are kept already`,
      'some of them saved or dropped first',
    );
  await ports.drafts.keep(person.id, key, draft, revision);
  return done({ ok: true });
}
