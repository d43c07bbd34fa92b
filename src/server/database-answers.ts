import { sql } from 'drizzle-orm';
import { type Database, isDatabaseAway } from '../db/index.ts';

/** Longer than this nobody waits to hear why something failed. */
const ANSWERS_WITHIN = 2_000;

/** Whether the database can be asked anything at all, and answers soon. */
export async function databaseAnswers(db: Database): Promise<boolean> {
  const asked = db.execute(sql`select 1`).then(
    () => true,
    () => false,
  );
  let tooLong: NodeJS.Timeout | undefined;
  const waited = new Promise<boolean>((resolve) => {
    tooLong = setTimeout(() => resolve(false), ANSWERS_WITHIN);
  });
  return Promise.race([asked, waited]).finally(() => clearTimeout(tooLong));
}

/** Whether an error came about because the database is away; packages in between may have hidden that. */
export const isAway = async (error: unknown, db: Database): Promise<boolean> =>
  isDatabaseAway(error) || !(await databaseAnswers(db));
