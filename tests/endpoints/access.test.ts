import { readdirSync, readFileSync } from 'node:fs';
import { beforeAll, describe, expect, it } from 'vitest';
import { as, type Client, nobody } from '../application/client.ts';
import { ENDPOINTS, NEEDS } from '../application/endpoints.ts';
import type { DemoName } from '../application/running.ts';

/** Who is let in by their role and has no business there all the same. */
const NOT_FOR: Readonly<Record<string, readonly DemoName[]>> = {
  'GET plan/index': ['tove'],
  'GET promotions/order': ['tove'],
  // What a basket leaves tells of costs.
  'GET loopholes/cases': ['tove'],
  'GET loopholes/index': ['tove'],
};

const PAGES: Readonly<Record<string, string>> = {
  '404': '/404',
  '500': '/500',
  account: '/account',
  begin: '/begin',
  index: '/',
  'check/basket': '/check/basket',
  'check/findings': '/check/findings',
  'check/loopholes': '/check/loopholes',
  'check/history': '/check/history',
  'check/price': '/check/price',
  'check/rung': '/check/rung',
  'check/timeline': '/check/timeline',
  'check/index': '/check',
  'plan/[id]': '/plan/face-week',
  'plan/begin': '/plan/begin',
  'plan/calendar': '/plan/calendar',
  'plan/index': '/plan',
  'plan/new': '/plan/new',
  'plan/order': '/plan/order',
  'plan/week': '/plan/week',
  'second-step': '/second-step',
  send: '/send',
  'send/tags': '/send/tags',
  'sign-in': '/sign-in',
  'stockroom/[table]': '/stockroom/items',
  join: '/join',
  'stockroom/codes': '/stockroom/codes',
  'stockroom/shopper/index': '/stockroom/shopper',
  'stockroom/shopper/[id]': '/stockroom/shopper/10001',
  'stockroom/files': '/stockroom/files',
  'stockroom/group/[id]': '/stockroom/group/city',
  'stockroom/index': '/stockroom',
  'stockroom/item/[sku]': '/stockroom/item/Q103453',
  'stockroom/range/[id]': '/stockroom/range/core',
  password: '/password',
  'stockroom/chain': '/stockroom/chain',
  'stockroom/people': '/stockroom/people',
  'stockroom/letters': '/stockroom/letters',
  'stockroom/interface': '/stockroom/interface',
  'stockroom/reprice': '/stockroom/reprice',
  'stockroom/waiting': '/stockroom/waiting',
  'stockroom/set/[id]': '/stockroom/set/summer',
  'send/terminal/[id]': '/send/terminal/s001-1',
  'stockroom/store/[id]': '/stockroom/store/s001',
  today: '/today',
};

const ROLES: readonly DemoName[] = NEEDS.see;
let people: Record<DemoName, Client>;
beforeAll(async () => {
  people = Object.fromEntries(
    await Promise.all(ROLES.map(async (name) => [name, await as(name)])),
  ) as typeof people;
});

const filesIn = (folder: string, ending: string): string[] =>
  readdirSync(folder, { recursive: true, encoding: 'utf8' }).filter((file) => file.endsWith(ending));

it('every endpoint stands in the table, with every method that it takes', () => {
  const found = filesIn('src/pages/api', '.ts').flatMap((file) =>
    [
      ...readFileSync(`src/pages/api/${file}`, 'utf8').matchAll(
        /^export const (GET|POST|PUT|PATCH|DELETE)\b/gm,
      ),
    ].map(([, method]) => `${method} ${file.replace(/\.ts$/, '')}`),
  );
  expect(found.sort()).toEqual(Object.keys(ENDPOINTS).sort());
});

it('every page stands in the table', () => {
  const found = filesIn('src/pages', '.astro').map((file) => file.replace(/\.astro$/, ''));
  expect(found.filter((file) => !/(^|\/)_/.test(file)).sort()).toEqual(Object.keys(PAGES).sort());
});

describe.each(Object.entries(ENDPOINTS))('%s', (name, [door, path, body]) => {
  const [method = 'GET'] = name.split(' ');
  const ask = (client: Client) =>
    method === 'GET' ? client.get(path) : client.send(method as 'POST', path, body ?? {});

  it('lets in whom it should, and nobody else', async () => {
    const stranger = (await ask(nobody())).status;
    if (door === 'open') expect([401, 403]).not.toContain(stranger);
    else expect(stranger).toBe(401);
    for (const who of ROLES) {
      // Signing in or out would change who asks.
      if (door === 'open') continue;
      const { status } = await ask(people[who]);
      if (door === 'terminal') expect([who, status]).toEqual([who, 401]);
      else if ((NEEDS[door] as readonly DemoName[]).includes(who) && !NOT_FOR[name]?.includes(who))
        expect([who, [401, 403].includes(status)]).toEqual([who, false]);
      else expect([who, status]).toEqual([who, 403]);
      expect(status).toBeLessThan(500);
    }
  });
});

describe.each(
  Object.entries(PAGES).filter(([name]) => !['404', '500', 'join', 'sign-in', 'password'].includes(name)),
)('the page %s', (_, path) => {
  it('leads strangers to the sign-in, and shows everybody else something', async () => {
    expect((await nobody().get(path)).status).toBe(302);
    for (const who of ROLES)
      expect([who, (await people[who].get(path)).status]).toEqual([who, expect.toBeOneOf([200, 302, 404])]);
  });
});

/** Addresses at which a person of one store might learn of others, or of what goods cost. */
const LOOKED_THROUGH = [
  ...Object.values(PAGES).filter((path) => !['/404', '/500', '/sign-in'].includes(path)),
  '/api/choices',
  '/api/promotions',
  '/api/promotions/face-week',
  '/api/promotions.ics',
  '/api/promotions/calendar?by=group',
  '/api/promotions/calendar?by=department',
  '/api/promotions/touching?code=Q103453',
  '/api/templates',
  '/api/basket-checks',
  '/api/send/review',
  '/api/send/tags?store=s001&day=2026-12-05&all=1&most=5000',
  '/api/send/store-prices?store=s001',
  '/api/send/terminals',
  '/api/price?store=s001&item=Q103453&at=2026-12-01T09:00',
  '/api/price/across?item=Q103453&at=2026-12-01T09:00',
  ...[
    'items',
    'nodes',
    'itemSets',
    'prices',
    'stores',
    'zones',
    'storeGroups',
    'ranges',
    'terminals',
    'priceLists',
    'listPrices',
  ].flatMap((table) => [`/api/stockroom/${table}?limit=500`, `/api/stockroom/${table}/file?kind=json`]),
  '/api/stockroom/items?sort=cost&limit=5',
];

describe('a person of one store', () => {
  it.each(LOOKED_THROUGH)('reads nothing at %s of other stores, of costs or of notes', async (path) => {
    const plan = (await people.basil.get('/api/plan')).body;
    const others = plan.stores.filter(({ id }: { id: string }) => id !== 's001');
    const { status, body } = await people.tove.get(path);
    expect(status).toBeLessThan(500);
    const text = typeof body === 'string' ? body : JSON.stringify(body);
    expect(others.filter(({ name }: { name: string }) => text.includes(name))).toEqual([]);
    expect(text).not.toMatch(/"s0(0[2-9]|[1-4]\d)(-\d)?"/);
    expect(text).not.toMatch(/"cost":"\d|"supplier":\{|"notes":"./);
    expect(text).not.toMatch(/cost plus|of the price as margin/);
  });
  it('cannot look through the eyes of another store', async () => {
    for (const path of [
      '/api/price?store=s002&item=Q103453&at=2026-12-01T09:00',
      '/api/stockroom/items?store=s002',
      '/stockroom/store/s002',
    ])
      expect([path, (await people.tove.get(path)).status]).toEqual([path, expect.toBeOneOf([403, 404])]);
    const basket = { store: 's002', at: '2026-12-01T09:00', lines: [{ sku: 'Q103453', quantity: 1 }] };
    expect((await people.tove.send('POST', '/api/basket', basket)).status).toBe(403);
  });
});
