import type {
  FormulaDocument,
  PromotionDocument,
  RoundingDocument,
  StoreRule,
} from '../src/core/plan/index.ts';
import type { HierarchyNode } from './hierarchy.ts';
import { approved, change, UP_TO_FIVE } from './make-promotion.ts';
import { plantedChanges } from './planted.ts';
import type { Seeded } from './seeded.ts';
import type { Weeks } from './weeks.ts';

const NINES: RoundingDocument = { endings: ['0.49', '0.99'], mode: 'nearest' };

/** The price changes that tell a story: members, the isles, happy hours, a draft, one that is paused. */
function told({ day, flyer }: Weeks): PromotionDocument[] {
  return [
    approved('sun-weekend', 'Sun care for members', flyer(0), {
      priority: 20,
      where: { group: 'city' },
      who: { groups: ['members'] },
      uses: { unitsPerShopper: 5, every: 'week' },
      offer: change(
        { allOf: [{ node: 'sun-care' }, { not: { tag: 'travel-size' } }] },
        { percentOff: 1500 },
        UP_TO_FIVE,
      ),
      label: { default: '15 % off sun care for members, five a week' },
    }),
    approved('face-week', 'Two weeks of face care', flyer(0, 2), {
      priority: 30,
      offer: change({ node: 'face' }, { percentOff: 2000 }, NINES),
    }),
    approved(
      'happy-hours',
      'Late hours on scents',
      { ...flyer(-1, 4), windows: [{ days: ['thu', 'fri'], from: '18:00', to: '20:00' }] },
      {
        priority: 15,
        where: { group: 'city' },
        offer: change({ node: 'scents' }, { percentOff: 2500 }, NINES),
      },
    ),
    approved(
      'first-saturday',
      'Family Saturday on nappies',
      {
        from: `${day(-60)}T08:00`,
        to: flyer(44).to,
        repeat: { rrule: 'FREQ=MONTHLY;BYDAY=1SA', duration: 'PT12H' },
      },
      { priority: 25, offer: change({ node: 'nappies' }, { percentOff: 1200 }, UP_TO_FIVE) },
    ),
    approved('isles-freight', 'Isles: laundry at mainland prices', flyer(-4, 10), {
      priority: 40,
      where: { group: 'isles' },
      offer: change({ node: 'laundry' }, { basis: 'regular', amountOff: '0.30' }),
    }),
    approved('photo-cost', 'Frames near cost', flyer(1), {
      priority: 35,
      where: { group: 'photo' },
      offer: change({ node: 'frame' }, { addPercent: 2500 }, UP_TO_FIVE),
    }),
    {
      id: 'sun-next',
      name: 'Sun care, next month',
      status: 'draft',
      priority: 20,
      when: flyer(3),
      where: { group: 'city' },
      who: { groups: ['members'] },
      offer: change({ node: 'sun-care' }, { percentOff: 2000 }, UP_TO_FIVE),
    },
    {
      id: 'tea-paused',
      name: 'Tea days',
      status: 'paused',
      priority: 50,
      when: flyer(0, 2),
      offer: change({ node: 'teas' }, { percentOff: 1000 }),
    },
  ];
}

/** Categories of which the told ones and the deals leave room for a weekly price. */
const WEEKLY = [
  'vitamins',
  'colds-and-coughs',
  'eye-and-ear',
  'baby-food',
  'cleaning',
  'prints',
  'candles',
  'snacks',
  'drinks',
];
/** Only the first of them have one now and in the next weeks: the others are in deals then. */
const ALSO_NOW = 6;
/** Weeks between two reductions of a category: nothing is reduced again within 30 days. */
const APART = 6;
const FIRST_WEEK = -26;
const LAST_WEEK = 7;

/** `count` price changes around the day: the told ones, the mistakes, and weekly ones over the hierarchy. */
export function promotions(
  count: number,
  weeks: Weeks,
  nodes: readonly HierarchyNode[],
  random: Seeded,
): PromotionDocument[] {
  const list = [...told(weeks), ...plantedChanges(weeks)];
  const byId = new Map(nodes.map((node) => [node.id, node]));
  const turns = weeklyTurns();
  for (let i = 0; list.length < count; i++) {
    const turn = turns[i];
    const category = turn ? byId.get(turn.category)! : random.pick(nodes.filter(({ kind }) => !kind));
    list.push(weekly(i, category, turn?.week ?? random.between(-25, 7), weeks, random));
  }
  return list.slice(0, count);
}

/** Latest first, so that a short plan has what is near. */
function weeklyTurns(): { category: string; week: number }[] {
  const all = WEEKLY.flatMap((category, i) => {
    const weeks = [];
    for (let week = LAST_WEEK - (i % APART); week >= FIRST_WEEK; week -= APART) {
      if (i < ALSO_NOW || week < -6) weeks.push({ category, week });
    }
    return weeks;
  });
  return all.toSorted((a, b) => b.week - a.week);
}

function weekly(
  i: number,
  category: HierarchyNode,
  week: number,
  { flyer }: Weeks,
  random: Seeded,
): PromotionDocument {
  const where: StoreRule | undefined = random.pick([
    undefined,
    undefined,
    { group: 'city' },
    { group: 'mainland' },
    { zone: 'z2' },
  ]);
  return approved(
    `weekly-${String(i + 1).padStart(3, '0')}`,
    `${category.name}: ${random.pick(['flyer', 'price of the week', 'shelf edge'])}`,
    flyer(week),
    {
      priority: 45 + (i % 9) * 5,
      ...(where ? { where } : {}),
      ...(random.chance(0.2) ? { who: { groups: ['members'] } } : {}),
      offer: change({ node: category.id }, formulaOf(random), UP_TO_FIVE),
    },
  );
}

function formulaOf(random: Seeded): FormulaDocument {
  const kind = random.next();
  if (kind < 0.7) return { percentOff: random.pick([500, 1000, 1250, 1500, 2000]) };
  return kind < 0.85 ? { multiplyBy: random.pick(['0.9', '0.85', '0.8']) } : { amountOff: '0.05' };
}
