import { and, asc, count, eq, gt, isNotNull, isNull, lt, ne, or, sql } from 'drizzle-orm';
import type { JoinStore } from '../../usecases/ports/index.ts';
import type { Database } from '../connect.ts';
import * as t from '../schema/index.ts';

const DAY = 24 * 60 * 60_000;
/** An answer takes a moment; one that has not gone out after so long never will. */
const BROKEN_OFF = 60_000;

/** Nobody answered; or whoever did was broken off before it went out, as a server died under them. */
const open = (now: Date) =>
  or(
    isNull(t.joinRequest.answer),
    and(ne(t.joinRequest.name, ''), lt(t.joinRequest.answeredAt, new Date(now.getTime() - BROKEN_OFF))),
  );

/** Requests to be let in to a kind of shopper. */
export function joinRepository(db: Database): JoinStore {
  return {
    async ask(request, proof, askedAt) {
      // What nobody has proved within a day was asked by nobody.
      await db
        .delete(t.joinRequest)
        .where(
          and(isNotNull(t.joinRequest.proof), lt(t.joinRequest.askedAt, new Date(askedAt.getTime() - DAY))),
        );
      const [row] = await db
        .insert(t.joinRequest)
        .values({ ...request, proof: Buffer.from(proof), askedAt })
        .returning({ id: t.joinRequest.id });
      return row!.id;
    },
    async asked(email, since) {
      const [row] = await db
        .select({ count: count() })
        .from(t.joinRequest)
        .where(and(sql`lower(${t.joinRequest.email}) = lower(${email})`, gt(t.joinRequest.askedAt, since)));
      return row!.count;
    },
    async prove(id, proof, most, notBefore) {
      // Each try is counted before it is looked at.
      const [tried] = await db
        .update(t.joinRequest)
        .set({ tries: sql`${t.joinRequest.tries} + 1` })
        .where(
          and(
            eq(t.joinRequest.id, id),
            isNotNull(t.joinRequest.proof),
            lt(t.joinRequest.tries, most),
            gt(t.joinRequest.askedAt, notBefore),
          ),
        )
        .returning({ proof: t.joinRequest.proof });
      if (!tried?.proof || !Buffer.from(proof).equals(tried.proof)) return false;
      await db.update(t.joinRequest).set({ proof: null }).where(eq(t.joinRequest.id, id));
      return true;
    },
    waiting: (now) =>
      db
        .select()
        .from(t.joinRequest)
        .where(and(isNull(t.joinRequest.proof), open(now)))
        .orderBy(asc(t.joinRequest.askedAt), asc(t.joinRequest.id)),
    async request(id) {
      const [row] = await db
        .select()
        .from(t.joinRequest)
        .where(and(eq(t.joinRequest.id, id), isNull(t.joinRequest.proof)));
      return row ?? null;
    },
    async claim(id, answer, answeredBy, answeredAt) {
      const rows = await db
        .update(t.joinRequest)
        .set({ answer, answeredBy, answeredAt })
        .where(and(eq(t.joinRequest.id, id), isNull(t.joinRequest.proof), open(answeredAt)))
        .returning({ id: t.joinRequest.id });
      return rows.length > 0;
    },
    async reopen(id) {
      await db.update(t.joinRequest).set({ answer: null, answeredBy: null }).where(eq(t.joinRequest.id, id));
    },
    async settle(id, person) {
      // Who was let in is among the people now; of anybody else nothing is kept.
      const forgotten = { person, name: '', email: '', word: '' };
      await db.update(t.joinRequest).set(forgotten).where(eq(t.joinRequest.id, id));
    },
  };
}
