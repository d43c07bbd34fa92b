import { type Answer, type Asker, asker, beside, ms } from './asker.ts';

/** Texts that no form sends and somebody will. */
const ODD_TEXTS = [
  '',
  ' ',
  '\0',
  'a\0b',
  '\ud800',
  'x'.repeat(8_000),
  '9'.repeat(400),
  '-1',
  '1e309',
  'NaN',
  '0x10',
  '99999999999999999999',
  '0000-00-00T00:00',
  '0000-01-01T00:00',
  '9999-12-31T23:59',
  '2027-02-30T09:00',
  '2027-03-01T25:00',
  '../../etc/passwd',
  '..',
  '.',
  'many',
  'new',
  '__proto__',
  'constructor',
  "'; drop table promotion; --",
  '</SCRIPT><ScRiPt>alert(1)</sCrIpT>',
  '{{7*7}}',
  '=1+1',
  '\u202e\u200b',
  '👩‍👩‍👧‍👦',
  '%',
  '%00',
  '%zz',
  '[]',
  '{"a":1}',
  'null',
];

const ODD_VALUES: readonly unknown[] = [
  ...ODD_TEXTS,
  null,
  true,
  0,
  -1,
  1.5,
  1e308,
  2_147_483_648,
  Number.MAX_SAFE_INTEGER,
  [],
  {},
  [[[[[[]]]]]],
  Array.from({ length: 5_000 }, () => 'a'),
];

/** Rules that loop, never come true, or say nothing that RFC 5545 knows. */
const ODD_RULES = [
  'FREQ=DAILY;INTERVAL=-1',
  'FREQ=DAILY;INTERVAL=0',
  'FREQ=DAILY;INTERVAL=abc',
  'FREQ=HOURLY;BYMONTH=2;BYMONTHDAY=30',
  'FREQ=DAILY;BYMONTH=2;BYMONTHDAY=30',
  'FREQ=YEARLY;BYMONTH=2;BYMONTHDAY=30',
  'FREQ=MONTHLY;BYMONTHDAY=31;BYMONTH=4,6,9,11',
  'FREQ=YEARLY;BYWEEKNO=54',
  'FREQ=SECONDLY',
  'FREQ=MINUTELY;COUNT=100000000',
  'FREQ=DAILY;COUNT=999999999',
  'FREQ=DAILY;UNTIL=99991231T235959Z',
  `FREQ=HOURLY;BYMINUTE=${Array.from({ length: 60 }, (_, i) => i).join(',')}`,
  'FREQ=WEEKLY;BYDAY=99MO',
  'FREQ=DAILY;BYSETPOS=1',
  'FREQ=DAILY\r\nATTACH:x',
  ';;;;',
  'RRULE:RRULE:FREQ=DAILY',
];

const QUERIES: readonly [string, Readonly<Record<string, string>>][] = [
  [
    '/api/price',
    { store: 's001', item: 'Q100181', at: '2026-12-01T09:00', group: 'members', around: 'week' },
  ],
  ['/api/price/across', { item: 'Q100181', at: '2026-12-01T09:00', group: 'members', stores: 's001' }],
  ['/api/items', { q: 'sun' }],
  ['/api/promotions', { stores: 's001' }],
  ['/api/promotions.ics', { stores: 's001' }],
  ['/api/promotions/calendar', { by: 'group' }],
  ['/api/promotions/touching', { code: 'Q100181' }],
  [
    '/api/stockroom/items',
    {
      q: 'x',
      sort: 'name',
      offset: '0',
      limit: '10',
      rule: '{"all":true}',
      store: 's001',
      at: '2026-12-01T09:00',
    },
  ],
  ['/api/stockroom/prices/file', { kind: 'csv', q: 'sun' }],
  ['/today', { where: 's001', at: '2026-12-01T09:00', for: 'members' }],
  ['/check', { where: 'group:city', at: '2026-12-01T09:00', item: 'Q100181' }],
  ['/plan/new', { kind: 'combo', copy: 'face-week', template: '1' }],
  ['/sign-in', { next: '/today', why: 'no-stores' }],
];

const PATHS = [
  '/api/promotions/',
  '/api/stockroom/',
  '/api/stockroom/items/',
  '/api/templates/',
  '/api/basket-checks/',
  '/api/pictures/',
  '/plan/',
  '/stockroom/item/',
  '/stockroom/store/',
  '/stockroom/set/',
  '/stockroom/',
];

/** No question of another person is to wait for longer. */
const WANTED = 250;

interface Tried {
  readonly what: string;
  readonly answer: Answer;
}

/** Every odd value in every place, one after another in four rows; what fails on our side is told. */
export async function tryOddInputs(origin: string): Promise<string[]> {
  const viewer = await asker(origin, 'odile');
  const planner = await asker(origin, 'ines');
  const other = await asker(origin, 'rufus');
  const { promotion } = JSON.parse((await planner.ask('/api/promotions/face-week')).text);
  // Each page and each thread once, as on any morning: the first question to a program that has just begun is another matter.
  for (let round = 0; round < 3; round++)
    for (const [path, query] of QUERIES) await viewer.ask(`${path}?${new URLSearchParams(query)}`);
  const requests = [...queries(viewer), ...paths(viewer), ...bodies(viewer, planner, promotion)];
  const now = new Set<string>();
  const slow: string[] = [];
  const { value: tried, ...others } = await beside(
    other,
    () => inRows(requests, 4, now),
    undefined,
    (took) => took > WANTED && slow.push(`${ms(took)} beside ${[...now].join(' | ')}`),
  );
  const failed = tried.filter(({ answer: { status } }) => status === 0 || status >= 500);
  const slowest = tried.reduce((a, b) => (b.answer.took > a.answer.took ? b : a));
  return [
    `odd inputs: ${tried.length} tried, ${failed.length} failed on our side`,
    `  slowest answer ${ms(slowest.answer.took)} (${slowest.what})`,
    `  a price question of another person beside it: worst ${ms(others.worst)}, p99 ${ms(others.p99)}, ${others.failed} of ${others.asked} failed`,
    ...slow.slice(0, 10).map((line) => `  slow: ${line}`),
    ...failed
      .slice(0, 10)
      .map(({ what, answer }) => `  FAILED ${answer.status} ${what}: ${answer.text.slice(0, 120)}`),
  ];
}

type Request = { readonly what: string; readonly run: () => Promise<Answer> };

async function inRows(requests: readonly Request[], rows: number, now: Set<string>): Promise<Tried[]> {
  const tried: Tried[] = [];
  let next = 0;
  const row = async () => {
    for (let request = requests[next++]; request; request = requests[next++]) {
      now.add(request.what);
      tried.push({ what: request.what, answer: await request.run() });
      now.delete(request.what);
    }
  };
  await Promise.all(Array.from({ length: rows }, row));
  return tried;
}

function queries(person: Asker): Request[] {
  return QUERIES.flatMap(([path, query]) =>
    Object.keys(query).flatMap((key) =>
      ODD_TEXTS.map((odd) => {
        const asked = `${path}?${new URLSearchParams({ ...query, [key]: odd })}`;
        return { what: `GET ${path} ${key}=${shortened(odd)}`, run: () => person.ask(asked) };
      }),
    ),
  );
}

function paths(person: Asker): Request[] {
  return PATHS.flatMap((path) =>
    ODD_TEXTS.flatMap((odd) =>
      [odd.isWellFormed() ? encodeURIComponent(odd) : '%ED%A0%80', '%00', `~${odd.length}`].map((part) => ({
        what: `GET ${path}${shortened(part)}`,
        run: () => person.ask(path + part),
      })),
    ),
  );
}

function bodies(viewer: Asker, planner: Asker, promotion: object): Request[] {
  const whole = {
    ...promotion,
    id: 'odd',
    notes: 'x',
    channels: ['till'],
    codes: ['A'],
    who: { groups: ['members'] },
    when: {
      from: '2027-03-01T09:00',
      to: '2027-06-01T20:00',
      windows: [{ days: ['mon'], from: '09:00', to: '12:00' }],
      except: ['2027-04-01'],
      repeat: { rrule: 'FREQ=WEEKLY', duration: 'P1D' },
    },
  };
  const basket = {
    store: 's001',
    at: '2026-12-01T09:00',
    codes: ['A'],
    payment: 'card',
    delivery: { way: 'post', charge: '4.90' },
    lines: [{ sku: 'Q100181', quantity: 2 }],
  };
  const targets: [string, Asker, string, object][] = [
    ['POST', viewer, '/api/promotions/preview', { promotion: whole, store: 's001' }],
    ['POST', planner, '/api/promotions', { promotion: whole }],
    ['PUT', planner, '/api/promotions/face-week', { promotion: whole, revision: 1 }],
    ['PATCH', planner, '/api/promotions/face-week', { status: 'paused', revision: 1 }],
    ['POST', viewer, '/api/basket', basket],
    [
      'POST',
      viewer,
      '/api/selection',
      {
        of: 'items',
        rule: { allOf: [{ node: 'face' }, { not: { brand: 'x' } }] },
        text: '',
        store: 's001',
        at: '2026-12-01T09:00',
      },
    ],
    [
      'POST',
      planner,
      '/api/stockroom/items',
      {
        edits: [{ key: 'Q100181', cells: { name: 'x', cost: '1.00', gtin: '', weight: '1' }, was: {} }],
        drops: ['none'],
      },
    ],
    [
      'PUT',
      planner,
      '/api/stockroom/itemSets/summer',
      { entry: { id: 'summer', name: 'x', rule: { all: true } }, was: null },
    ],
    [
      'POST',
      planner,
      '/api/promotions/many',
      { ids: ['face-week'], action: 'move', days: 7, store: 's001', dry: true },
    ],
    ['PUT', planner, '/api/drafts/odd', { draft: { a: 1 }, revision: 1 }],
    ['POST', planner, '/api/templates', { name: 'x', promotion: whole }],
    [
      'POST',
      planner,
      '/api/basket-checks',
      { name: 'x', basket, moment: { next: 'sat', time: '10:00' }, atMost: '3.00' },
    ],
    [
      'POST',
      viewer,
      '/api/files/write',
      { name: 'x', kind: 'csv', columns: [{ field: 'a', title: 'A', kind: 'text' }], rows: [{ a: 'b' }] },
    ],
    ['POST', viewer, '/api/sign-in', { email: 'a@x.example', password: 'b' }],
    ['POST', viewer, '/api/items', { codes: ['Q100181'] }],
  ];
  const leaves = targets.flatMap(([method, person, path, body]) =>
    placesIn(body).flatMap((place) =>
      ODD_VALUES.map((odd) => ({
        what: `${method} ${path} /${place.join('/')}=${shortened(JSON.stringify(odd) ?? '')}`,
        run: () => person.send(method, path, put(body, place, odd)),
      })),
    ),
  );
  const rules = ODD_RULES.flatMap((rrule) =>
    ['/api/promotions/preview', '/api/promotions'].map((path) => ({
      what: `POST ${path} ${rrule.slice(0, 60)}`,
      run: () =>
        planner.send(
          'POST',
          path,
          put({ promotion: whole }, ['promotion', 'when', 'repeat', 'rrule'], rrule),
        ),
    })),
  );
  return [...leaves, ...rules];
}

const shortened = (text: string): string => JSON.stringify(text.slice(0, 30));

/** Every place of a value, lists and objects themselves among them. */
function placesIn(value: unknown, at: readonly string[] = []): (readonly string[])[] {
  if (typeof value !== 'object' || value === null) return [at];
  return [
    ...(at.length > 0 ? [at] : []),
    ...Object.entries(value).flatMap(([key, one]) => placesIn(one, [...at, key])),
  ];
}

function put(value: unknown, [key, ...rest]: readonly string[], odd: unknown): unknown {
  if (key === undefined) return odd;
  if (Array.isArray(value)) return value.map((one, i) => (String(i) === key ? put(one, rest, odd) : one));
  const object = value as Record<string, unknown>;
  return { ...object, [key]: put(object[key], rest, odd) };
}
