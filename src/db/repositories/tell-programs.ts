import { sql } from 'drizzle-orm';
import type { Told } from '../../contracts/view/index.ts';
import type { Database } from '../connect.ts';
import * as t from '../schema/index.ts';

/**
 * Writes down that other programs are to be told something, for those that want to hear it. Within the transaction of
 * what happened: neither is there without the other.
 */
export const tellPrograms = (db: Pick<Database, 'execute'>, told: Told) =>
  db.execute(sql`
    insert into ${t.webhookEvent} (webhook, told)
    select id, ${JSON.stringify(told)}::jsonb from ${t.webhook}
    where ended_at is null and ${told.event} = any(events)`);
