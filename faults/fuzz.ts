import fc from 'fast-check';
import pg from 'pg';
import { ENDPOINTS } from '../tests/application/endpoints.ts';
import { type Asker, asker, ms } from './asker.ts';
import { PATHS, QUERIES, targets, wholePromotion } from './odd-targets.ts';
import { ODD_TEXTS, ODD_VALUES } from './odd-values.ts';
import { placesIn, put } from './places.ts';

const MANY = Number(process.env.FAULTS_REQUESTS ?? 100_000);
const ROWS = 4;
/** Between two looks at whether something changed. */
const IN_A_BATCH = 50;
/** Longer than this nobody waits for an answer: it hangs. */
const HANGS = 20_000;
/** What works for seconds when it is asked right, or slows everybody down when it is asked wrong: asked seldom. */
const SELDOM =
  /^(POST (sign-in|password|forgotten|demo-sign-in|second-step|account|send\/(index|anew|key))|GET (plan\/index|loopholes|grid\/file|send\/stream|basket-checks)|PUT plan)/;
/** Would leave nobody signed in for all that follows. */
const NEVER = /^(POST sign-out|DELETE account\/sessions)$/;
const SELDOM_WEIGHT = 1;
const OFTEN_WEIGHT = 40;
const METHODS = ['GET', 'POST', 'PUT', 'PATCH', 'DELETE', 'OPTIONS'];
const WHO = ['nobody', 'odile', 'tove', 'ines', 'rufus', 'basil'] as const;
type Who = (typeof WHO)[number];

interface Made {
  readonly who: Who;
  /** Whether it may change something where it is not refused. */
  readonly acts: boolean;
  readonly method: string;
  readonly path: string;
  readonly body: string | null;
  readonly headers: Readonly<Record<string, string>>;
}

/**
 * So many requests made by chance, of every role to every endpoint: right bodies with something odd in them, any JSON,
 * any bytes, odd methods, parameters and heads. None is to fail on our side or hang, and none that was refused is to
 * have changed anything.
 */
export async function fuzz(origin: string, databaseUrl: string): Promise<string[]> {
  const askers = Object.fromEntries(
    await Promise.all(WHO.map(async (who) => [who, await asker(origin, who === 'nobody' ? null : who)])),
  ) as Record<Who, Asker>;
  const { promotion } = JSON.parse((await askers.ines.ask('/api/promotions/face-week')).text);
  const database = new pg.Client({ connectionString: databaseUrl });
  await database.connect();
  const seed = Number(process.env.FAULTS_SEED ?? Date.now() % 2 ** 31);
  const requests = fc.sample(requestOf(askers, wholePromotion(promotion)), { numRuns: MANY, seed });
  const statuses = new Map<number, number>();
  const faults: string[] = [];
  let slowest = { took: 0, what: '' };
  let looks = 0;
  let state = await stateOf(database);
  for (let at = 0; at < requests.length; at += IN_A_BATCH) {
    const batch = requests.slice(at, at + IN_A_BATCH);
    let changed = false;
    await inRows(batch, async (one) => {
      const { status, text, took } = await askers[one.who].ask(one.path, {
        method: one.method,
        headers: one.headers,
        signal: AbortSignal.timeout(HANGS),
        ...(one.body === null ? {} : { body: one.body }),
      });
      statuses.set(status, (statuses.get(status) ?? 0) + 1);
      if (took > slowest.took) slowest = { took, what: told(one) };
      if (status < 300 && one.acts) changed = true;
      if (status === 0 || status >= 500) faults.push(`${status} ${told(one)}: ${text.slice(0, 120)}`);
    });
    const now = await stateOf(database);
    if (!changed) looks += 1;
    if (!changed && now !== state)
      faults.push(`all were refused and something changed: ${batch.map(told).join(' | ')}`);
    state = now;
  }
  await database.end();
  const by = [...statuses].sort(([a], [b]) => a - b).map(([status, count]) => `${status}: ${count}`);
  return [
    `fuzz: ${requests.length} requests (seed ${seed}), ${faults.length} faults; slowest answer ${ms(slowest.took)} (${slowest.what.slice(0, 120)})`,
    `  ${by.join(', ')}`,
    `  ${looks} times ${IN_A_BATCH} of them were refused or only looked, and nothing had changed`,
    ...faults.slice(0, 20).map((line) => `  FAULT ${line.slice(0, 600)}`),
  ];
}

const told = ({ who, method, path, body }: Made): string =>
  `${who} ${method} ${path.slice(0, 160)} ${(body ?? '').slice(0, 200)}`;

async function inRows(batch: readonly Made[], work: (one: Made) => Promise<void>): Promise<void> {
  let next = 0;
  const row = async () => {
    for (let one = batch[next++]; one; one = batch[next++]) await work(one);
  };
  await Promise.all(Array.from({ length: ROWS }, row));
}

/** What only people change. Terminals, sign-ins and what is worked out by itself go on meanwhile. */
const GOES_ON =
  /^(session|sign_in_try|verification|terminal_state|terminal_event|at_desk|once_done|finding|kept_|loophole|basket_check|plan_snapshot|rollout|price_file|matching|letter)/;

async function stateOf(database: pg.Client): Promise<string> {
  const { rows } = await database.query<{ name: string }>(
    "select tablename as name from pg_tables where schemaname = 'public' order by 1",
  );
  const sums = rows
    .filter(({ name }) => !GOES_ON.test(name))
    .map(
      ({ name }) =>
        `select '${name}' as name, count(*) as rows, coalesce(sum(hashtext(t::text)), 0) as sum from "${name}" t`,
    );
  const { rows: all } = await database.query(sums.join(' union all '));
  return JSON.stringify(all);
}

function requestOf(askers: Record<Who, Asker>, whole: object): fc.Arbitrary<Made> {
  const { odile: viewer, ines: planner, rufus: approver, basil: administrator } = askers;
  const right = targets({ viewer, planner, approver, administrator }, whole);
  const bodies = right.map(([, , , body]) => body);
  const oddText = fc.oneof(fc.constantFrom(...ODD_TEXTS), fc.string({ unit: 'binary', maxLength: 40 }));
  const oddValue: fc.Arbitrary<unknown> = fc.oneof(
    fc.constantFrom(...ODD_VALUES),
    fc.jsonValue({ maxDepth: 3 }),
  );
  const queries = fc
    .tuple(fc.constantFrom(...QUERIES), fc.array(fc.tuple(fc.nat(20), oddText), { maxLength: 2 }))
    .map(([[, query], odd]) => {
      const keys = Object.keys(query);
      const changed = Object.fromEntries(odd.map(([at, text]) => [keys[at % keys.length]!, text]));
      return `?${new URLSearchParams({ ...query, ...wellFormed(changed) })}`;
    });
  const bodyFor = (names: readonly object[]) =>
    fc.oneof(
      {
        weight: 6,
        arbitrary: fc
          .tuple(fc.constantFrom(...names), fc.nat(60), oddValue)
          .map(([body, at, odd]) => withOdd(body, at, odd)),
      },
      { weight: 2, arbitrary: fc.jsonValue({ maxDepth: 4 }).map((value) => JSON.stringify(value)) },
      { weight: 1, arbitrary: fc.string({ unit: 'binary', maxLength: 200 }) },
    );
  const headers = fc.record(
    {
      'content-type': fc.constantFrom(
        'application/json',
        'application/json',
        'text/plain',
        'application/octet-stream',
        'x',
      ),
      'if-match': fc.constantFrom('*', '"plan-1"', '"revision-1"', 'x', '"plan-99999999999999999999"'),
      'idempotency-key': fc.uuid(),
      'accept-language': fc.constantFrom('de', 'x-klingon', '*', 'en-US-u-ca-hebrew'),
    },
    { requiredKeys: [] },
  );
  const one = (name: string, door: string, path: string): fc.Arbitrary<Made> => {
    const [method = 'GET'] = name.split(' ');
    const own = right
      .filter(([how, , where]) => how === method && sameShape(where, path))
      .map(([, , , body]) => body);
    const paths = fc.oneof(
      { weight: 5, arbitrary: fc.constant(path) },
      { weight: 2, arbitrary: oddText.map((text) => pathWith(path, text)) },
      { weight: 3, arbitrary: queries.map((query) => path.split('?')[0] + query) },
    );
    return fc
      .record({
        who: fc.constantFrom(...WHO),
        how: fc.oneof(
          { weight: 12, arbitrary: fc.constant(method) },
          { weight: 1, arbitrary: fc.constantFrom(...METHODS) },
        ),
        where: paths,
        body: bodyFor(own.length > 0 ? own : bodies),
        headers,
      })
      .map(({ who, how, where, body, headers: heads }) => ({
        ...{ who, method: how, path: where, headers: heads },
        // At one address several methods may stand, behind other doors.
        acts: how !== 'GET' && (how !== method || !['see', 'open', 'terminal'].includes(door)),
        body: ['GET', 'OPTIONS'].includes(how) ? null : body,
      }));
  };
  const asks = Object.entries(ENDPOINTS)
    .filter(([name]) => !NEVER.test(name))
    .map(([name, [door, path]]) => ({
      weight: SELDOM.test(name) ? SELDOM_WEIGHT : OFTEN_WEIGHT,
      arbitrary: one(name, door, path),
    }));
  const pages = fc.tuple(fc.constantFrom(...WHO), fc.constantFrom(...PATHS), oddText).map(
    ([who, path, text]): Made => ({
      who,
      acts: false,
      method: 'GET',
      path: path + encoded(text),
      body: null,
      headers: {},
    }),
  );
  return fc.oneof(...asks, { weight: OFTEN_WEIGHT * 4, arbitrary: pages });
}

/** Whether two addresses are of one endpoint, as far as can be told without the framework. */
function sameShape(a: string, b: string): boolean {
  const [one, other] = [a, b].map((path) => path.split('?')[0]!.split('/'));
  return one!.length === other!.length && one![2] === other![2];
}

const encoded = (text: string): string => (text.isWellFormed() ? encodeURIComponent(text) : '%ED%A0%80');
const pathWith = (path: string, text: string): string => path.replace(/[^/?]+(\?.*)?$/, '') + encoded(text);
const wellFormed = (all: Record<string, string>): Record<string, string> =>
  Object.fromEntries(Object.entries(all).map(([key, text]) => [key, text.toWellFormed()]));

/** The body as JSON, with something odd at one of its places; objects themselves are places too. */
function withOdd(body: object, at: number, odd: unknown): string {
  const places = placesIn(body);
  return JSON.stringify(put(body, places[at % places.length]!, odd)) ?? 'null';
}
