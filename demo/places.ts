import type { PlanDocument, StoreDocument } from '../src/core/plan/index.ts';
import type { Seeded } from './seeded.ts';

const TOWNS = [
  'Aldermouth',
  'Brackenford',
  'Corrie Sound',
  'Dunvale',
  'Eastwell',
  'Fairhythe',
  'Greywater',
  'Hollin Cross',
  'Ivelstoke',
  'Kingsholm Bay',
  'Larkhaven',
  'Marlpit',
  'Nethercombe',
  'Oakenshaw',
  'Pellbridge',
  'Quillmere',
  'Ravensey',
  'Saltmarsh',
  'Thornby',
  'Ulverstow',
  'Vennside',
  'Westerleigh',
];
const QUARTERS = [
  'Market',
  'Station',
  'Harbour',
  'Old Town',
  'Mill Lane',
  'University',
  'Arcade',
  'North Gate',
  'Riverside',
  'Airport',
];
const [INLAND, CITY, ISLES] = [2, 3, 4];
const REGIONS = ['Coast', 'Heath', 'Lakeland', 'Isles'];

export const zoneIds = (count: number): string[] => Array.from({ length: count }, (_, i) => `z${i + 1}`);

/** Stores in two time zones, an hour apart; the isles keep the western one. */
export function places(
  stores: number,
  zones: number,
  terminals: number,
  random: Seeded,
): Required<Pick<PlanDocument, 'zones' | 'stores' | 'storeGroups' | 'terminals' | 'ranges'>> {
  const list = Array.from({ length: stores }, (_, i) => storeAt(i, zones, random));
  return {
    zones: zoneIds(zones).map((id, i) => ({
      id,
      name: ['Coast prices', 'Inland prices', 'City prices', 'Isles prices'][i] ?? `Zone ${i + 1}`,
    })),
    stores: list,
    storeGroups: [
      { id: 'city', name: 'City stores', rule: { tag: 'city' } },
      { id: 'stations', name: 'Stations and airports', rule: { tag: 'travel' } },
      { id: 'isles', name: 'The Isles', rule: { region: 'Isles' } },
      { id: 'mainland', name: 'Mainland', rule: { not: { region: 'Isles' } } },
      {
        id: 'photo',
        name: 'Stores with a photo counter',
        rule: { allOf: [{ tag: 'photo' }, { not: { tag: 'travel' } }] },
      },
      { id: 'trial', name: 'Trial stores', rule: { stores: list.slice(0, 3).map(({ id }) => id) } },
    ],
    terminals: terminalsOf(list, terminals),
    ranges: [
      {
        id: 'core',
        name: 'Core range',
        stores: { all: true },
        items: { anyOf: ['health', 'beauty', 'baby', 'household'].map((node) => ({ node })) },
      },
      { id: 'photo', name: 'Photo range', stores: { group: 'photo' }, items: { node: 'photo' } },
      {
        id: 'food',
        name: 'Food and drink',
        stores: { not: { group: 'trial' } },
        items: { node: 'food-and-drink' },
      },
      {
        id: 'travel',
        name: 'Travel counter',
        stores: { group: 'stations' },
        items: { anyOf: [{ tag: 'travel-size' }, { node: 'batteries' }] },
      },
    ],
  };
}

function storeAt(i: number, zones: number, random: Seeded): StoreDocument {
  const region = REGIONS[i % 8 === 7 ? 3 : i % 3]!;
  const quarter = QUARTERS[(i * 3 + Math.floor(i / TOWNS.length)) % QUARTERS.length]!;
  const travel = quarter === 'Station' || quarter === 'Airport';
  const tags = [
    i % 4 === 0 ? 'city' : null,
    travel ? 'travel' : null,
    random.chance(0.5) ? 'photo' : null,
    random.chance(0.2) ? 'late-opening' : null,
  ].filter((tag) => tag !== null);
  return {
    id: `s${String(i + 1).padStart(stores3(i), '0')}`,
    name: `${TOWNS[i % TOWNS.length]} ${quarter}`,
    timeZone: region === 'Isles' || i % 5 === 2 ? 'Europe/Lisbon' : 'Europe/Madrid',
    zone: `z${zoneOf(i, region, tags, zones)}`,
    region,
    tags,
    hours: hoursOf(tags),
  };
}

/** Coast, inland, city and the isles; a larger chain has more of them inland. */
function zoneOf(i: number, region: string, tags: readonly string[], zones: number): number {
  if (region === 'Isles') return Math.min(zones, ISLES);
  if (region === 'Coast') return 1;
  if (tags.includes('city')) return Math.min(zones, CITY);
  const inland = [
    INLAND,
    ...Array.from({ length: Math.max(0, zones - ISLES) }, (_, more) => ISLES + 1 + more),
  ];
  return Math.min(zones, inland[i % inland.length]!);
}

const WORKING_DAYS = ['mon', 'tue', 'wed', 'thu', 'fri', 'sat'] as const;

/** Stations and airports early to late every day; the others on working days, in the cities on Sundays too. */
function hoursOf(tags: readonly string[]): NonNullable<StoreDocument['hours']> {
  if (tags.includes('travel')) return [{ from: '06:00', to: '23:00' }];
  const to = tags.includes('late-opening') ? '22:00' : '20:00';
  const working = { days: [...WORKING_DAYS], from: '08:00', to };
  return tags.includes('city')
    ? [working, { days: ['sun'] as 'sun'[], from: '10:00', to: '18:00' }]
    : [working];
}

const stores3 = (i: number): number => (i + 1 > 999 ? 4 : 3);

function terminalsOf(
  stores: readonly StoreDocument[],
  count: number,
): { id: string; store: string; tags: string[] }[] {
  return Array.from({ length: count }, (_, i) => {
    const store = stores[i % stores.length]!;
    const nth = Math.floor(i / stores.length) + 1;
    return {
      id: `${store.id}-${nth}`,
      store: store.id,
      tags: [nth === 1 ? 'counter' : nth === 2 ? 'till' : 'kiosk'],
    };
  });
}
