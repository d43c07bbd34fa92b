import { and, eq, lt } from 'drizzle-orm';
import type { Database } from '../connect.ts';
import * as t from '../schema/index.ts';

/** What came of something. */
export interface OnceAnswer {
  readonly status: number;
  readonly headers: Readonly<Record<string, string>>;
  readonly body: string;
}

/** Something that was asked before under the same key; `answer` null: it is not known yet what came of it. */
export interface AskedBefore {
  readonly digest: string;
  readonly answer: OnceAnswer | null;
}

export interface OnceStore {
  /** Notes that it is being done now. @returns null where it was never asked; else what is known of it. */
  claim(person: string, key: string, digest: string): Promise<AskedBefore | null>;
  keep(person: string, key: string, answer: OnceAnswer): Promise<void>;
  /** Nothing was done: it may be asked again. */
  forget(person: string, key: string): Promise<void>;
}

/** Longer than this nobody asks again, in milliseconds. */
const KEPT_FOR = 24 * 60 * 60 * 1000;

export function onceRepository(db: Database): OnceStore {
  const { onceDone } = t;
  const which = (person: string, key: string) => and(eq(onceDone.person, person), eq(onceDone.key, key));
  return {
    async claim(person, key, digest) {
      await db.delete(onceDone).where(lt(onceDone.at, new Date(Date.now() - KEPT_FOR)));
      const made = await db
        .insert(onceDone)
        .values({ person, key, digest })
        .onConflictDoNothing()
        .returning({ key: onceDone.key });
      if (made.length > 0) return null;
      const [found] = await db.select().from(onceDone).where(which(person, key));
      // Forgotten just now: who asks a moment later does it.
      if (!found) return { digest, answer: null };
      const { status, headers, body } = found;
      const answer = status === null ? null : { status, headers: headers ?? {}, body: body ?? '' };
      return { digest: found.digest, answer };
    },
    async keep(person, key, { status, headers, body }) {
      await db.update(onceDone).set({ status, headers, body }).where(which(person, key));
    },
    async forget(person, key) {
      await db.delete(onceDone).where(which(person, key));
    },
  };
}
