import type { Asker } from './asker.ts';

const SUN = { node: 'face' };
const SHEET = {
  kind: 'priceChange',
  items: SUN,
  worksheet: {
    passes: [
      { name: 'x', items: SUN, formula: { basis: 'base', percentOff: 1000 }, rounding: { to: '0.05' } },
    ],
    own: { Q100181: '1.00' },
    ownIn: [{ zone: 'city', prices: { Q100181: '1.00' } }],
    removed: ['Q100181'],
  },
};

/** An offer of each kind and form that the plan knows. */
const OFFERS: readonly object[] = [
  { kind: 'priceChange', items: SUN, formula: { basis: 'base', percentOff: 1000 }, onTop: true },
  SHEET,
  { kind: 'quantityBreak', items: SUN, count: 'family', tiers: [{ atLeast: 3, percentOff: 1000 }] },
  { kind: 'mixAndMatch', items: SUN, take: 3, value: { total: '11.00' } },
  { kind: 'mixAndMatch', items: SUN, take: 3, rewarded: 1, pick: 'cheapest', value: { percentOff: 10_000 } },
  {
    kind: 'mixAndMatch',
    buy: [{ items: SUN, quantity: 2 }],
    get: { items: SUN, quantity: 1 },
    notDearer: true,
    value: { percentOff: 5_000 },
  },
  {
    kind: 'combo',
    slots: [{ name: 'a', items: SUN, quantity: 1 }],
    value: { total: '4.00' },
    extra: { Q100181: '0.50' },
  },
  { kind: 'freeGoods', items: SUN, count: 'set', every: 12, free: 1, parts: 'whole', minimum: 2, maxFree: 3 },
  {
    kind: 'basketReward',
    threshold: 'subtotal',
    tiers: [{ atLeast: '50.00', percentOff: 500 }],
    conditions: { payments: ['card'], minWeight: '1.0', minPastOrders: 2 },
    maxDiscount: '10.00',
    combinesWith: ['x'],
  },
  { kind: 'deliveryReward', ways: ['post'], conditions: { subtotal: '20.00' }, value: { flat: '1.00' } },
];

export interface OddAskers {
  readonly viewer: Asker;
  readonly planner: Asker;
  readonly approver: Asker;
  readonly administrator: Asker;
}
type Target = readonly [method: string, person: Asker, path: string, body: object];

/** A promotion with every part of one, over what somebody wrote. */
export const wholePromotion = (promotion: object): object => ({
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
});

/** Every endpoint that reads a body, who may ask it, and a body that it takes. */
export function targets({ viewer, planner, approver, administrator }: OddAskers, whole: object): Target[] {
  const basket = {
    store: 's001',
    at: '2026-12-01T09:00',
    codes: ['A'],
    payment: 'card',
    delivery: { way: 'post', charge: '4.90' },
    lines: [{ sku: 'Q100181', quantity: 2 }],
  };
  return [
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
    ...OFFERS.flatMap((offer): Target[] => {
      const deal = { ...whole, offer };
      return [
        [
          'POST',
          viewer,
          '/api/promotions/preview-deal',
          { promotion: deal, store: 's001', lines: [{ sku: 'Q100181', quantity: '2' }] },
        ],
        ['POST', planner, '/api/promotions', { promotion: deal }],
      ];
    }),
    ['POST', viewer, '/api/promotions/worksheet', { promotion: { ...whole, offer: SHEET }, store: 's001' }],
    [
      'POST',
      planner,
      '/api/reprice',
      {
        since: '2027-03-01',
        scope: { kind: 'zones', ids: ['city'] },
        fresh: true,
        carry: true,
        worksheet: SHEET.worksheet,
      },
    ],
    [
      'POST',
      viewer,
      '/api/selection/items',
      { rule: { node: 'face' }, store: 's001', at: '2026-12-01T09:00' },
    ],
    [
      'POST',
      planner,
      '/api/promotions/undo',
      { ids: ['face-week'], action: 'pause', days: 7, store: 's001' },
    ],
    ['POST', approver, '/api/promotions/face-week/step', { step: 'approve', reason: 'x', revision: 1 }],
    ['POST', approver, '/api/waiting-entries/1', { step: 'send-back', reason: 'x' }],
    ['POST', approver, '/api/send', { stores: ['s001'], planVersion: 1, held: ['face-week'] }],
    ['PUT', approver, '/api/send/held', { promotion: 'no-such', held: true }],
    [
      'PUT',
      administrator,
      '/api/chain-words',
      { payments: ['card'], deliveries: ['post'], regions: ['north'], linkTags: ['tag'] },
    ],
    ['PUT', administrator, '/api/work-rules', { another: true, stockroom: false }],
    [
      'PUT',
      administrator,
      '/api/plan',
      { format: 'belltag-plan/1', currency: 'EUR', stores: [{ id: 's001' }], items: [{ sku: 'x' }] },
    ],
    [
      'PUT',
      administrator,
      '/api/stockroom/stores/s001',
      { entry: { id: 's001', name: 'x', timeZone: 'UTC', hours: { mon: [] } }, was: null },
    ],
    ['POST', viewer, '/api/sign-in', { email: 'a@x.example', password: 'b' }],
    ['POST', viewer, '/api/items', { codes: ['Q100181'] }],
  ];
}

export const QUERIES: readonly [string, Readonly<Record<string, string>>][] = [
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
  ['/api/promotions/waiting-prices', { id: 'face-week', store: 's001' }],
  ['/api/send/store-prices', { store: 's001' }],
  ['/sign-in', { next: '/today', why: 'no-stores' }],
];

export const PATHS = [
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
  '/stockroom/group/',
  '/stockroom/range/',
  '/_astro/',
  '/',
];
