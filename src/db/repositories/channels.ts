import { sql } from 'drizzle-orm';
import type { Database } from '../connect.ts';

/** The channels on which every server hears what another has done. */
export const CHANNELS = {
  /** The plan has changed; the version. */
  plan: 'plan_changed',
  /** Price files were made, or a terminal is to look now; the number, or the terminal's id. */
  files: 'price_files',
  wake: 'wake_terminal',
  /** A terminal has another key, or none, and its line is to end; its id. Without one: what it is to be handed is another. */
  keys: 'terminal_keys',
  /** A terminal said something else than before; its id. */
  terminals: 'terminal_said',
  /** A batch of codes is to be made; its number. */
  codes: 'codes_made',
} as const;
export type Channel = keyof typeof CHANNELS;

/** Tells every server; within a transaction, once that is committed. */
export const tellServers = (db: Pick<Database, 'execute'>, channel: Channel, what: string | number) =>
  db.execute(sql`select pg_notify(${CHANNELS[channel]}, ${String(what)})`);
