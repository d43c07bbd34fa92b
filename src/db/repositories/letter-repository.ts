import { desc } from 'drizzle-orm';
import type { LetterStore } from '../../usecases/ports/index.ts';
import type { Database } from '../connect.ts';
import * as t from '../schema/index.ts';

/** Letters of the simulated mailbox. */
export function letterRepository(db: Database): LetterStore {
  return {
    async put(letter) {
      await db.insert(t.letter).values(letter);
    },
    async newest(most) {
      const rows = await db.select().from(t.letter).orderBy(desc(t.letter.id)).limit(most);
      return rows.map((row) => ({ ...row, at: row.at.toISOString() }));
    },
  };
}
