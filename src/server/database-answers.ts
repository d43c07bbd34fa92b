import { sql } from 'drizzle-orm';
import { type Database, isDatabaseAway } from '../db/index.ts';

/** Whether the database can be asked anything at all. */
export async function databaseAnswers(db: Database): Promise<boolean> {
  return db.execute(sql`select 1`).then(
    () => true,
    () => false,
  );
}

/** Whether an error came about because the database is away; packages in between may have hidden that. */
export const isAway = async (error: unknown, db: Database): Promise<boolean> =>
  isDatabaseAway(error) || !(await databaseAnswers(db));
