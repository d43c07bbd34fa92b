import pg from 'pg';
import { CHANNELS, type Channel, giveUp } from '../db/index.ts';
import { log } from './machine/log.ts';

const AGAIN_AFTER = 2_000;
/** So often it is asked whether the line still stands, and so soon it answers: news that never come are not missed. */
const ASKS_EVERY = 10_000;
const ANSWERS_WITHIN = 8_000;

export interface Hearing {
  /** Something was told on a channel. */
  onNews(channel: Channel, what: string): void;
  /** Listening begins, or begins anew: what was told in between was missed. */
  onBegin?(): void;
}

/** Hears from the database what other servers have done, and this one. A connection that breaks is made anew. */
export function hearDatabase(databaseUrl: string, channels: readonly Channel[], hearing: Hearing): void {
  const named = new Map(channels.map((channel) => [CHANNELS[channel] as string, channel]));
  let away = false;
  const tellAway = () => {
    if (!away) log.warn('the database is away; questions are answered again as soon as it is back');
    away = true;
  };
  const listen = async () => {
    const client = new pg.Client({
      connectionString: databaseUrl,
      connectionTimeoutMillis: ANSWERS_WITHIN,
      query_timeout: ANSWERS_WITHIN,
    });
    client.on('notification', ({ channel, payload }) => {
      const known = named.get(channel);
      if (known) hearing.onNews(known, payload ?? '');
    });
    // A connection that breaks may say so twice; it is made anew once.
    let broken = false;
    const asking = setInterval(() => void client.query('select 1').catch(breakOff), ASKS_EVERY).unref();
    function breakOff() {
      clearInterval(asking);
      giveUp(client);
      if (broken) return;
      broken = true;
      tellAway();
      setTimeout(again, AGAIN_AFTER).unref();
    }
    client.on('error', breakOff);
    try {
      await client.connect();
      for (const name of named.keys()) await client.query(`listen ${name}`);
    } catch {
      return breakOff();
    }
    if (broken) return;
    if (away) log.warn('the database answers again');
    away = false;
    hearing.onBegin?.();
  };
  const again = () => void listen();
  again();
}
