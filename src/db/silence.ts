import type { Duplex } from 'node:stream';
import pg from 'pg';

/** Milliseconds that an answer is owed without a byte of it, after which it is asked on another connection. */
const SILENT_FOR = 3_000;
const LOOKS_EVERY = 1_000;
const ANSWERS_WITHIN = 5_000;
/** So long a question may take whose state the database does not tell, as behind a pooler. */
const LONGEST_UNTOLD = 60_000;

/** What the driver knows and has no public word for. */
interface Inside {
  readonly connection: { readonly stream: Duplex };
  readonly processID: number | null;
  /** False: an answer is owed. */
  readonly readyForQuery: boolean;
}
type Client = pg.Client | pg.PoolClient;
const inside = (client: Client): Inside => client as unknown as Inside;

/** Gives a connection up without a word to the other side, which would not hear it. */
export const giveUp = (client: Client): void => void inside(client).connection.stream.destroy();

/**
 * Gives up the connections of a pool on which the database owes an answer and will not give it: it is silent on every
 * connection, as where a cable was pulled, or it has answered and that never came. Nobody else would ever end them. A
 * question on which it works is left alone, however long that takes.
 */
export function watchForSilence(pool: pg.Pool, url: string): void {
  /** When each connection in use was heard last. */
  const heard = new Map<pg.PoolClient, number>();
  pool.on('connect', (client) =>
    inside(client).connection.stream.on('data', () => {
      if (heard.has(client)) heard.set(client, performance.now());
    }),
  );
  pool.on('acquire', (client) => heard.set(client, performance.now()));
  pool.on('release', (_, client) => heard.delete(client));
  pool.on('remove', (client) => heard.delete(client));
  const silent = () =>
    [...heard].filter(
      ([client, since]) => !inside(client).readyForQuery && performance.now() - since > SILENT_FOR,
    );
  let looking = false;
  const look = async () => {
    const before = silent();
    if (looking || before.length === 0) return;
    looking = true;
    const states = await statesOf(
      url,
      before.map(([client]) => inside(client).processID ?? 0),
    );
    looking = false;
    for (const [client, since] of silent())
      if (before.some(([one, then]) => one === client && then === since) && isLost(client, since, states))
        giveUp(client);
  };
  setInterval(() => void look(), LOOKS_EVERY).unref();
}

type States = ReadonlyMap<number, string>;

function isLost(client: Client, since: number, states: States | null): boolean {
  if (!states) return true;
  const state = states.get(inside(client).processID ?? 0);
  return state === undefined ? performance.now() - since > LONGEST_UNTOLD : state !== 'active';
}

/** What the database does for these processes of its own; null where it does not answer either. */
async function statesOf(url: string, processes: readonly number[]): Promise<States | null> {
  const client = new pg.Client({
    connectionString: url,
    connectionTimeoutMillis: ANSWERS_WITHIN,
    query_timeout: ANSWERS_WITHIN,
  });
  client.on('error', () => {});
  try {
    await client.connect();
    const { rows } = await client.query<{ pid: number; state: string }>(
      'select pid, state from pg_stat_activity where pid = any($1)',
      [processes],
    );
    await client.end();
    return new Map(rows.map(({ pid, state }) => [pid, state]));
  } catch {
    giveUp(client);
    return null;
  }
}
