import { randomUUID } from 'node:crypto';
import { and, asc, desc, eq, isNotNull, isNull, lte, sql } from 'drizzle-orm';
import type { Told, ToldCall, ToldEvent } from '../../contracts/view/index.ts';
import type { WebhookStore } from '../../usecases/ports/index.ts';
import type { Database } from '../connect.ts';
import * as t from '../schema/index.ts';
import { notePerson } from './note-person.ts';

/** Things that happened, in one call at most; and in one go. */
const IN_A_CALL = 200;
const IN_ONE_GO = 2_000;
/** What was taken, or given up, is remembered so long. */
const KEPT_FOR = 7 * 24 * 60 * 60 * 1000;

export function webhookRepository(db: Database): WebhookStore {
  const { webhook, webhookCall, webhookEvent } = t;
  const one = (id: string) => and(eq(webhook.id, id), isNull(webhook.endedAt));
  return {
    async all() {
      const calls = db
        .select({
          webhook: webhookCall.webhook,
          waiting: sql<number>`count(*) filter (where ${webhookCall.due} is not null)::int`.as('waiting'),
          givenUp:
            sql<number>`count(*) filter (where ${webhookCall.due} is null and ${webhookCall.takenAt} is null)::int`.as(
              'given_up',
            ),
          takenAt: sql<Date | null>`max(${webhookCall.takenAt})`.as('taken'),
        })
        .from(webhookCall)
        .groupBy(webhookCall.webhook)
        .as('calls');
      const rows = await db
        .select({ webhook, waiting: calls.waiting, givenUp: calls.givenUp, takenAt: calls.takenAt })
        .from(webhook)
        .leftJoin(calls, eq(calls.webhook, webhook.id))
        .where(isNull(webhook.endedAt))
        .orderBy(asc(webhook.madeAt));
      return Promise.all(
        rows.map(async ({ webhook: { id, url, events }, waiting, givenUp, takenAt }) => ({
          ...{ id, url, events: events as ToldEvent[], waiting: waiting ?? 0, givenUp: givenUp ?? 0 },
          takenAt: takenAt === null ? null : new Date(takenAt).toISOString(),
          said: await saidLast(db, id),
        })),
      );
    },
    put: ({ url, events, secret }, by) =>
      db.transaction(async (tx) => {
        const id = randomUUID();
        await tx.insert(webhook).values({ id, url, events: [...events], secret, madeBy: by });
        await notePerson(tx, id, by, 'address told', { before: undefined, after: { name: url, events } });
        return id;
      }),
    end: (id, now, by) =>
      db.transaction(async (tx) => {
        const [gone] = await tx.update(webhook).set({ endedAt: now }).where(one(id)).returning();
        if (!gone) return false;
        const name = gone.url;
        await tx.delete(webhookEvent).where(eq(webhookEvent.webhook, id));
        await tx.update(webhookCall).set({ due: null }).where(eq(webhookCall.webhook, id));
        await notePerson(tx, id, by, 'address told no more', { before: { name }, after: { name } });
        return true;
      }),
    async tryAgain(id, now) {
      const [found] = await db.select({ id: webhook.id }).from(webhook).where(one(id));
      if (!found) return false;
      await db
        .update(webhookCall)
        .set({ due: now, tries: 0 })
        .where(and(eq(webhookCall.webhook, id), isNull(webhookCall.takenAt)));
      return true;
    },
    putIntoCalls: (now, newId) =>
      db.transaction(async (tx) => {
        const old = new Date(now.getTime() - KEPT_FOR);
        await tx.delete(webhookCall).where(and(isNull(webhookCall.due), lte(webhookCall.at, old)));
        const { rows } = await tx.execute<{ webhook: string; told: Told }>(sql`
          with taken as (
            delete from ${webhookEvent} where id in (
              select id from ${webhookEvent} order by id limit ${IN_ONE_GO} for update skip locked
            ) returning id, webhook, told
          ) select webhook, told from taken order by id`);
        for (const [whose, events] of byWebhook(rows))
          for (let at = 0; at < events.length; at += IN_A_CALL) {
            const call: ToldCall = { id: newId(), events: events.slice(at, at + IN_A_CALL) };
            const body = JSON.stringify(call);
            await tx.insert(webhookCall).values({ id: call.id, webhook: whose, body, at: now, due: now });
          }
        return rows.length;
      }),
    async due(now, most) {
      const rows = await db
        .select({ call: webhookCall, url: webhook.url, secret: webhook.secret })
        .from(webhookCall)
        .innerJoin(webhook, eq(webhook.id, webhookCall.webhook))
        .where(and(isNotNull(webhookCall.due), lte(webhookCall.due, now), isNull(webhook.endedAt)))
        .orderBy(asc(webhookCall.due))
        .limit(most);
      return rows.map(({ call: { id, body, tries }, url, secret }) => ({ id, body, tries, url, secret }));
    },
    async tried(id, { taken, said, next }, now) {
      await db
        .update(webhookCall)
        .set({ said, due: next, takenAt: taken ? now : null, tries: sql`${webhookCall.tries} + 1` })
        .where(eq(webhookCall.id, id));
    },
  };
}

function byWebhook(rows: readonly { webhook: string; told: Told }[]): Map<string, Told[]> {
  const all = new Map<string, Told[]>();
  for (const { webhook, told } of rows) {
    const theirs = all.get(webhook);
    if (theirs) theirs.push(told);
    else all.set(webhook, [told]);
  }
  return all;
}

/** What the newest call came to, where it was tried and not taken. */
async function saidLast(db: Database, id: string): Promise<string | null> {
  const [last] = await db
    .select({ said: t.webhookCall.said, takenAt: t.webhookCall.takenAt })
    .from(t.webhookCall)
    .where(and(eq(t.webhookCall.webhook, id), isNotNull(t.webhookCall.said)))
    .orderBy(desc(t.webhookCall.at))
    .limit(1);
  return last && last.takenAt === null ? last.said : null;
}
