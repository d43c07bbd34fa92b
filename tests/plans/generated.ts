import fc from 'fast-check';
import type {
  ItemRule,
  RoundingDocument,
  StoreRule,
  WhenDocument,
  WhoDocument,
} from '../../src/core/plan/index.ts';
import { change, type Promoted } from './small-plan.ts';

const pad = (value: number) => String(value).padStart(2, '0');
const DAYS = ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'] as const;

/** A wall time within the spring of 2027, by the quarter of an hour; clocks change on 28 March. */
export const wallTimes = fc
  .tuple(fc.integer({ min: 3, max: 5 }), fc.integer({ min: 1, max: 28 }), fc.integer({ min: 0, max: 95 }))
  .map(
    ([month, day, quarter]) =>
      `2027-${pad(month)}-${pad(day)}T${pad(Math.floor(quarter / 4))}:${pad((quarter % 4) * 15)}`,
  );

const timesOfDay = fc
  .integer({ min: 0, max: 47 })
  .map((half) => `${pad(Math.floor(half / 2))}:${half % 2 ? '30' : '00'}`);

const windows = fc
  .record({
    days: fc.option(fc.uniqueArray(fc.constantFrom(...DAYS), { minLength: 1 }), { nil: undefined }),
    from: timesOfDay,
    to: timesOfDay,
  })
  .filter(({ from, to }) => from !== to)
  .map(({ days, ...rest }) => (days ? { days, ...rest } : rest));

const repeats = fc.record({
  rrule: fc.constantFrom(
    'FREQ=DAILY;INTERVAL=3',
    'FREQ=WEEKLY;BYDAY=SA,SU',
    'FREQ=WEEKLY;BYDAY=TU;COUNT=4',
    'FREQ=MONTHLY;BYDAY=1SA',
    'FREQ=MONTHLY;BYMONTHDAY=-1',
    'FREQ=DAILY;UNTIL=20270401T120000',
  ),
  duration: fc.constantFrom('P1D', 'PT6H', 'P1DT3H', 'PT30M', 'P2D'),
});

/** Any schedule: open or not, with hours, a series and days left out, or without. */
export const whens: fc.Arbitrary<WhenDocument> = fc
  .record({
    ends: fc.tuple(wallTimes, wallTimes).filter(([a, b]) => a !== b),
    open: fc.boolean(),
    windows: fc.array(windows, { maxLength: 2 }),
    repeat: fc.option(repeats, { nil: undefined }),
    except: fc.array(
      wallTimes.map((text) => text.slice(0, 10)),
      { maxLength: 3 },
    ),
  })
  .map(({ ends, open, windows: hours, repeat, except }) => {
    const [from, to] = [...ends].sort() as [string, string];
    return {
      from,
      ...(open ? {} : { to }),
      ...(hours.length ? { windows: hours } : {}),
      ...(repeat ? { repeat } : {}),
      ...(except.length ? { except } : {}),
    };
  });

const formulas: fc.Arbitrary<Promoted['formula']> = fc.oneof(
  fc.integer({ min: 0, max: 10_000 }).map((percentOff) => ({ percentOff })),
  fc.integer({ min: 0, max: 1500 }).map((cents) => ({ amountOff: (cents / 100).toFixed(2) })),
  fc.integer({ min: 0, max: 3000 }).map((cents) => ({ setTo: (cents / 100).toFixed(2) })),
  fc.integer({ min: 0, max: 1_500_000 }).map((millionths) => ({ multiplyBy: (millionths / 1e6).toFixed(6) })),
  fc.integer({ min: 0, max: 9000 }).map((addPercent) => ({ addPercent })),
  fc.integer({ min: 0, max: 9000 }).map((marginOnPrice) => ({ marginOnPrice })),
  fc.constant({ basis: 'regular' as const, percentOff: 1000 }),
  fc.constant({ basis: { priceList: 'own' }, percentOff: 1000 }),
);

const prices = fc.dictionary(
  fc.constantFrom('milk', 'gel', 'gel-50', 'bar'),
  fc.integer({ min: 1, max: 2600 }).map((cents) => (cents / 100).toFixed(2)),
  { maxKeys: 3 },
);
const places = fc.uniqueArray(
  fc.constantFrom({ zone: 'main' }, { zone: 'isles' }, { store: 'east' }, { store: 'west' }),
  { maxLength: 3 },
);
const linePrices = {
  linePrices: fc.option(prices, { nil: undefined }),
  linePricesIn: fc.option(
    places.chain((all) => fc.tuple(...all.map((place) => prices.map((of) => ({ ...place, prices: of }))))),
    { nil: undefined },
  ),
};

const goods: fc.Arbitrary<ItemRule> = fc.constantFrom<ItemRule>(
  { all: true },
  { node: 'sun' },
  { items: ['gel', 'bar'] },
  { set: 'summer' },
  { regularPrice: { atMost: '9.00' } },
  { allOf: [{ node: 'beauty' }, { not: { tag: 'new' } }] },
);

const said: fc.Arbitrary<Promoted> = fc
  .record({
    when: whens,
    priority: fc.integer({ min: 1, max: 3 }),
    formula: formulas,
    ...linePrices,
    items: goods,
    where: fc.constantFrom<StoreRule>({ all: true }, { stores: ['east'] }, { zone: 'isles' }),
    who: fc.constantFrom<WhoDocument | undefined>(undefined, { groups: ['members'] }, { guests: true }),
    rounding: fc.constantFrom<RoundingDocument | undefined>(
      undefined,
      { step: '0.05', mode: 'up' },
      { endings: ['0.49', '0.99'], mode: 'nearest' },
    ),
    onTop: fc.boolean(),
    alone: fc.boolean(),
    mayRaise: fc.boolean(),
    status: fc.constantFrom('approved' as const, 'approved' as const, 'paused' as const),
  })
  .map(({ onTop, alone, formula, linePrices: everywhere, linePricesIn, ...rest }) => {
    // On top knows only some formulas and no lines, works on the running price, and never stands alone.
    if (!onTop) return { ...rest, formula, linePrices: everywhere, linePricesIn, alone };
    return { ...rest, formula: { percentOff: 700 }, onTop };
  });

/** A handful of price changes that may overlap in every way. */
export const priceChanges = fc
  .array(said, { minLength: 1, maxLength: 7 })
  .map((all) => all.map((one, i) => change(`p${i}`, JSON.parse(JSON.stringify(one)))));
