import { readdirSync, readFileSync } from 'node:fs';
import { beforeAll, describe, expect, it } from 'vitest';
import { as, type Client, nobody } from '../application/client.ts';
import type { DemoName } from '../application/running.ts';

/** What a role must be able to do to be let in; what comes in then is refused for other reasons, so that nothing changes. */
const NEEDS = {
  see: ['odile', 'tove', 'ines', 'rufus', 'basil'],
  plan: ['ines', 'rufus', 'basil'],
  approve: ['rufus', 'basil'],
  send: ['rufus', 'basil'],
  administer: ['basil'],
} as const satisfies Record<string, readonly DemoName[]>;
type Need = keyof typeof NEEDS;
/** Everybody, whether signed in or not; a terminal's own key. */
type Door = Need | 'open' | 'terminal';

const NOWHERE = 'no-such-thing';
/** Every endpoint, the door before it, and a request that changes nothing. One that is not here is refused by this test. */
const ENDPOINTS: Readonly<Record<string, readonly [Door, string, unknown?]>> = {
  'GET basket-checks/index': ['see', '/api/basket-checks'],
  'POST basket-checks/index': ['plan', '/api/basket-checks', {}],
  'DELETE basket-checks/[id]': ['plan', `/api/basket-checks/${NOWHERE}`, {}],
  'POST basket': ['see', '/api/basket', {}],
  'GET choices': ['see', '/api/choices'],
  'POST begin/administrator': ['open', '/api/begin/administrator', {}],
  'POST begin/chain': ['administer', '/api/begin/chain', {}],
  'POST demo-sign-in': ['open', '/api/demo-sign-in', {}],
  'GET drafts/index': ['plan', '/api/drafts'],
  'PUT drafts/[key]': ['plan', `/api/drafts/${NOWHERE}`, {}],
  'DELETE drafts/[key]': ['plan', `/api/drafts/${NOWHERE}`, {}],
  'POST files/sheet-lines': ['plan', '/api/files/sheet-lines', 'nothing'],
  'POST files/write': ['see', '/api/files/write', {}],
  'GET findings/index': ['see', '/api/findings'],
  'POST findings/accepted': ['plan', '/api/findings/accepted', {}],
  'DELETE findings/accepted': ['plan', '/api/findings/accepted', {}],
  'GET grid/index': ['see', '/api/grid?at=2026-12-01T09:00'],
  'GET grid/file': ['see', '/api/grid/file?at=2026-12-01T09:00&kind=csv&q=sun'],
  'GET loopholes/cases': ['see', '/api/loopholes/cases?at=2026-12-01T09:00&where=s001'],
  'GET loopholes/index': ['see', '/api/loopholes?at=2026-12-01T09:00&store=none&units=1'],
  'GET loopholes/kept': ['see', '/api/loopholes/kept'],
  'GET send/stream': ['see', '/api/send/stream'],
  'POST send/wake': ['send', '/api/send/wake', {}],
  'POST send/whole': ['send', '/api/send/whole', {}],
  'POST send/terminal-key': ['administer', '/api/send/terminal-key', {}],
  'DELETE send/terminal-key': ['administer', '/api/send/terminal-key', {}],
  'GET send/hour': ['see', '/api/send/hour'],
  'PUT send/hour': ['administer', '/api/send/hour', {}],
  'GET account/sessions': ['see', '/api/account/sessions'],
  'DELETE account/sessions': ['see', '/api/account/sessions', {}],
  'POST account/password': ['see', '/api/account/password', {}],
  'GET account/second-step': ['see', '/api/account/second-step'],
  'POST account/second-step': ['see', '/api/account/second-step', {}],
  'PUT account/second-step': ['see', '/api/account/second-step', {}],
  'DELETE account/second-step': ['see', '/api/account/second-step', {}],
  'POST second-step': ['open', '/api/second-step', {}],
  'GET keys/index': ['administer', '/api/keys'],
  'POST keys/index': ['administer', '/api/keys', {}],
  'POST keys/[id]/step': ['administer', `/api/keys/${NOWHERE}/step`, { step: 'take' }],
  'GET openapi.json': ['see', '/api/openapi.json'],
  'GET schemas/[name]': ['see', '/api/schemas/plan.json'],
  'GET webhooks/index': ['administer', '/api/webhooks'],
  'POST webhooks/index': ['administer', '/api/webhooks', {}],
  'POST webhooks/[id]/step': ['administer', `/api/webhooks/${NOWHERE}/step`, { step: 'try' }],
  'GET people/index': ['administer', '/api/people'],
  'POST people/index': ['administer', '/api/people', {}],
  'PUT people/[id]': ['administer', `/api/people/${NOWHERE}`, {}],
  'POST people/[id]/step': ['administer', `/api/people/${NOWHERE}/step`, { step: 'link' }],
  'POST password': ['open', '/api/password', {}],
  'POST forgotten': ['open', '/api/forgotten', {}],
  'GET rung': ['see', '/api/rung?terminal=s001-1&item=Q100036&at=2026-11-20T09:00'],
  'GET timeline': ['see', '/api/timeline?item=Q100181&at=2026-12-01T09:00'],
  'GET health': ['open', '/api/health'],
  'GET items': ['see', '/api/items?q=sun'],
  'POST items': ['see', '/api/items', {}],
  'POST pictures/index': ['plan', '/api/pictures', 'no picture'],
  'GET pictures/[id]': ['see', `/api/pictures/${NOWHERE}`],
  'GET plan/index': ['see', '/api/plan'],
  'PUT plan/index': ['administer', '/api/plan', {}],
  'GET price/index': ['see', '/api/price'],
  'GET price/across': ['see', '/api/price/across'],
  'GET promotions.ics': ['see', '/api/promotions.ics'],
  'GET promotions/index': ['see', '/api/promotions'],
  'POST promotions/index': ['plan', '/api/promotions', {}],
  'GET promotions/[id]': ['see', `/api/promotions/${NOWHERE}`],
  'PUT promotions/[id]': ['plan', `/api/promotions/${NOWHERE}`, {}],
  'PATCH promotions/[id]': ['plan', `/api/promotions/${NOWHERE}`, { status: 'draft', revision: 1 }],
  'POST promotions/[id]/step': ['plan', `/api/promotions/${NOWHERE}/step`, { step: 'submit', revision: 1 }],
  'GET promotions/calendar': ['see', '/api/promotions/calendar?by=group'],
  'POST promotions/many': ['plan', '/api/promotions/many', {}],
  'POST promotions/preview': ['see', '/api/promotions/preview', {}],
  'POST promotions/preview-deal': ['see', '/api/promotions/preview-deal', {}],
  'GET promotions/order': ['see', '/api/promotions/order?at=2026-12-01T09:00'],
  'POST promotions/standing': ['plan', '/api/promotions/standing', {}],
  'POST promotions/outlook': ['see', '/api/promotions/outlook', {}],
  'POST plan/week': ['see', '/api/plan/week', {}],
  'POST promotions/findings': ['see', '/api/promotions/findings', {}],
  'GET promotions/touching': ['see', '/api/promotions/touching?code=x'],
  'POST promotions/undo': ['plan', '/api/promotions/undo', {}],
  'POST promotions/worksheet': ['see', '/api/promotions/worksheet', {}],
  'GET promotions/waiting-prices': ['see', '/api/promotions/waiting-prices?id=face-week&store=s001'],
  'POST reprice': ['plan', '/api/reprice', {}],
  'POST selection/index': ['see', '/api/selection', {}],
  'POST selection/items': ['see', '/api/selection/items', {}],
  'POST send/index': ['send', '/api/send', {}],
  'POST send/anew': ['send', '/api/send/anew', { stores: [NOWHERE] }],
  'GET send/key': ['see', '/api/send/key'],
  'POST send/key': ['administer', '/api/send/key', {}],
  'PUT send/held': ['send', '/api/send/held', {}],
  'GET send/review': ['see', '/api/send/review'],
  'GET send/store-prices': ['see', '/api/send/store-prices?store=s001'],
  'GET send/terminals': ['see', '/api/send/terminals'],
  'POST sign-in': ['open', '/api/sign-in', {}],
  'POST sign-out': ['open', '/api/sign-out', {}],
  'GET stockroom/[table]/index': ['see', '/api/stockroom/items'],
  'POST stockroom/[table]/index': ['plan', `/api/stockroom/${NOWHERE}`, {}],
  'PUT stockroom/[table]/[key]': ['plan', `/api/stockroom/${NOWHERE}/x`, {}],
  'GET stockroom/[table]/file': ['see', '/api/stockroom/items/file?kind=csv'],
  'POST stockroom/[table]/file': ['plan', `/api/stockroom/${NOWHERE}/file`, 'nothing'],
  'POST waiting-entries/[id]': ['plan', `/api/waiting-entries/${NOWHERE}`, { step: 'drop' }],
  'PUT chain-words': ['administer', '/api/chain-words', {}],
  'PUT promotions/[id]/here': ['plan', `/api/promotions/${NOWHERE}/here`, {}],
  'DELETE promotions/[id]/here': ['plan', `/api/promotions/${NOWHERE}/here`, {}],
  'GET chain': ['administer', '/api/chain'],
  'PUT chain': ['administer', '/api/chain', {}],
  'PUT house-rules': ['administer', '/api/house-rules', {}],
  'PUT work-rules': ['administer', '/api/work-rules', {}],
  'GET templates/index': ['see', '/api/templates'],
  'POST templates/index': ['plan', '/api/templates', {}],
  'DELETE templates/[id]': ['plan', `/api/templates/${NOWHERE}`, {}],
  'POST till/state': ['terminal', '/api/till/state', {}],
  'GET till/keys': ['terminal', '/api/till/keys'],
  'GET till/newest': ['terminal', '/api/till/newest'],
  'GET till/picture/[id]': ['terminal', `/api/till/picture/${NOWHERE}`],
};
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
  send: '/send',
  'sign-in': '/sign-in',
  'stockroom/[table]': '/stockroom/items',
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
  Object.entries(PAGES).filter(([name]) => !['404', '500', 'sign-in', 'password'].includes(name)),
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
