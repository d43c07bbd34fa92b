import type { Instant } from '../../core/calendar/index.ts';
import type { SendingHourStore } from '../../usecases/ports/index.ts';
import type { Database } from '../connect.ts';
import * as t from '../schema/index.ts';
import { planVersionOf } from './plan-version.ts';

export function sendingHourRepository(db: Database): SendingHourStore {
  const { sendHour: time, sendZone: timeZone, sentByItselfUntil: until, sentByItself: last } = t.chain;
  return {
    async current() {
      const [row] = await db.select({ time, timeZone, until, last }).from(t.chain);
      const hour = row?.time && row.timeZone ? { time: row.time, timeZone: row.timeZone } : null;
      return { hour, doneUntil: (row?.until?.getTime() ?? 0) as Instant, last: row?.last ?? null };
    },
    set: (hour, person, now) =>
      db.transaction(async (tx) => {
        const sets = {
          sendHour: hour?.time ?? null,
          sendZone: hour?.timeZone ?? null,
          sentByItselfUntil: now,
        };
        await tx.update(t.chain).set(sets);
        await tx.insert(t.auditEntry).values({
          ...{
            person,
            action: hour ? `set to send at ${hour.time} by themselves` : 'set to be sent by somebody',
          },
          ...{ subjectKind: 'work rules', subject: 'sending', after: { hour } },
          planVersion: await planVersionOf(tx),
        });
      }),
    async done(result) {
      await db.update(t.chain).set({ sentByItselfUntil: new Date(result.at), sentByItself: result });
    },
  };
}
