import { beginningRepository, type Database } from '../../db/index.ts';
import { newFirstCode } from '../../signing/index.ts';

/**
 * A new code for the first administrator; the one before is good no more.
 * @param demo whether made-up people of the demo can sign in, and so count.
 * @returns null where somebody looks after the installation already.
 */
export async function firstCode(db: Database, demo: boolean): Promise<string | null> {
  const beginning = beginningRepository(db);
  if (!(await beginning.needsAdministrator(demo))) return null;
  const { text, hash } = newFirstCode();
  await beginning.setCode(hash);
  return text;
}
