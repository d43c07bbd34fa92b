import type {
  FormulaDocument,
  ItemRule,
  PromotionDocument,
  RoundingDocument,
  StoreRule,
  WhenDocument,
} from '../src/core/plan/index.ts';
import type { HierarchyNode } from './hierarchy.ts';
import type { Seeded } from './seeded.ts';

/** Dates as days before or after the day the demo is loaded. */
export type DayAt = (offset: number) => string;

export function dayAt(today: string): DayAt {
  const start = Date.parse(`${today}T00:00Z`);
  return (offset) => new Date(start + offset * 86_400_000).toISOString().slice(0, 10);
}

const change = (items: ItemRule, formula: FormulaDocument, rounding?: RoundingDocument) => ({
  kind: 'priceChange' as const,
  items,
  formula,
  ...(rounding ? { rounding } : {}),
});
const UP_TO_FIVE: RoundingDocument = { step: '0.05', mode: 'up' };
const NINES: RoundingDocument = { endings: ['0.49', '0.99'], mode: 'nearest' };

/** The price changes that tell a story: members, the isles, happy hours, an overlap, an open end. */
function told(day: DayAt): PromotionDocument[] {
  const span = (from: number, to: number): WhenDocument => ({
    from: `${day(from)}T09:00`,
    to: `${day(to)}T20:00`,
  });
  const approved = (
    id: string,
    name: string,
    when: WhenDocument,
    rest: Omit<PromotionDocument, 'id' | 'name' | 'status' | 'when'>,
  ): PromotionDocument => ({ id, name, status: 'approved', when, ...rest });
  return [
    approved('sun-weekend', 'Sun care weekend', span(-1, 3), {
      priority: 20,
      where: { group: 'city' },
      who: { groups: ['members'] },
      offer: change(
        { allOf: [{ node: 'sun-care' }, { not: { tag: 'travel-size' } }] },
        { percentOff: 1500 },
        UP_TO_FIVE,
      ),
      label: { default: '15 % off sun care for members' },
    }),
    approved('face-week', 'Face care week', span(-2, 5), {
      priority: 30,
      offer: change({ node: 'face' }, { percentOff: 2000 }, NINES),
    }),
    approved('night-cream-clear', 'Clear night creams', span(0, 9), {
      priority: 30,
      offer: change({ node: 'night-cream' }, { percentOff: 3000 }, NINES),
    }),
    approved(
      'own-label-on-top',
      'Own label, a little more',
      { from: `${day(-20)}T00:00` },
      {
        priority: 60,
        offer: {
          ...change({ tag: 'own-label' }, { percentOff: 500 }, { step: '0.01', mode: 'down' }),
          onTop: true,
        },
      },
    ),
    approved(
      'happy-hours',
      'Late hours on scents',
      { ...span(-5, 16), windows: [{ days: ['thu', 'fri'], from: '18:00', to: '20:00' }] },
      {
        priority: 15,
        where: { group: 'city' },
        offer: change({ node: 'scents' }, { percentOff: 2500 }, NINES),
      },
    ),
    approved(
      'first-saturday',
      'Family Saturday on nappies',
      { from: `${day(-60)}T08:00`, repeat: { rrule: 'FREQ=MONTHLY;BYDAY=1SA', duration: 'P1D' } },
      { priority: 25, offer: change({ node: 'nappies' }, { percentOff: 1200 }, UP_TO_FIVE) },
    ),
    approved(
      'isles-freight',
      'Isles: laundry at mainland prices',
      { from: `${day(-30)}T00:00`, to: `${day(40)}T00:00` },
      {
        priority: 40,
        where: { group: 'isles' },
        offer: change({ node: 'laundry' }, { basis: 'regular', amountOff: '0.80' }),
      },
    ),
    approved('travel-alone', 'Travel sizes at one price', span(-3, 11), {
      priority: 10,
      alone: true,
      where: { group: 'stations' },
      offer: change({ allOf: [{ tag: 'travel-size' }, { node: 'beauty' }] }, { setTo: '1.99' }),
    }),
    approved('photo-cost', 'Frames near cost', span(1, 6), {
      priority: 35,
      where: { group: 'photo' },
      offer: change({ node: 'frames-and-albums' }, { addPercent: 1500 }, UP_TO_FIVE),
    }),
    {
      id: 'sun-next',
      name: 'Sun care, next month',
      status: 'draft',
      priority: 20,
      when: span(20, 24),
      where: { group: 'city' },
      who: { groups: ['members'] },
      offer: change({ node: 'sun-care' }, { percentOff: 2000 }, UP_TO_FIVE),
    },
    {
      id: 'tea-paused',
      name: 'Tea days',
      status: 'paused',
      priority: 50,
      when: span(-2, 8),
      offer: change({ node: 'teas' }, { percentOff: 1000 }),
    },
  ];
}

/** `count` price changes around the day: the told ones, and weekly ones over parts of the hierarchy. */
export function promotions(
  count: number,
  day: DayAt,
  nodes: readonly HierarchyNode[],
  random: Seeded,
): PromotionDocument[] {
  const list = told(day);
  const categories = nodes.filter((node) => node.parent !== undefined && !node.kind);
  const places: (StoreRule | undefined)[] = [
    undefined,
    { group: 'city' },
    { group: 'mainland' },
    { group: 'isles' },
    { zone: 'z2' },
  ];
  for (let i = list.length; i < count; i++) {
    const category = categories[i % categories.length]!;
    const start = random.between(-180, 45);
    const where = random.pick(places);
    list.push({
      id: `pc-${String(i + 1).padStart(3, '0')}`,
      name: `${category.name}: ${random.pick(['weekly price', 'flyer', 'season', 'shelf edge', 'loyal buyers'])}`,
      status: 'approved',
      priority: 50 + random.between(0, 8) * 5,
      when: {
        from: `${day(start)}T${random.pick(['00:00', '08:00', '09:00'])}`,
        to: `${day(start + random.between(4, 14))}T20:00`,
      },
      ...(where ? { where } : {}),
      ...(random.chance(0.2) ? { who: { groups: ['members'] } } : {}),
      offer: change(itemsIn(category, nodes, random), formulaOf(random), random.pick([UP_TO_FIVE, NINES])),
    });
  }
  return list;
}

function itemsIn(category: HierarchyNode, nodes: readonly HierarchyNode[], random: Seeded): ItemRule {
  if (random.chance(0.5)) return { node: category.id };
  const leaf = random.pick(nodes.filter(({ parent }) => parent === category.id));
  return { allOf: [{ node: leaf.id }, { not: { tag: 'new' } }] };
}

function formulaOf(random: Seeded): FormulaDocument {
  const kind = random.next();
  if (kind < 0.7) return { percentOff: random.pick([500, 1000, 1250, 1500, 2000, 2500]) };
  if (kind < 0.85) return { amountOff: random.pick(['0.50', '1.00', '1.50']) };
  return { multiplyBy: random.pick(['0.9', '0.85', '0.8']) };
}
