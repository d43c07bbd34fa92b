import { chain } from '../../demo/chain.ts';
import { type Seeded, seeded } from '../../demo/seeded.ts';
import type {
  FormulaDocument,
  ItemRule,
  PlanDocument,
  PromotionDocument,
  RoundingDocument,
  StoreRule,
} from '../../src/core/plan/index.ts';

export interface CrowdedSize {
  readonly stores: number;
  readonly zones: number;
  readonly groups: number;
  readonly items: number;
  /** In a year; about a tenth of them are live at once, each over 5 to 20 % of the goods. */
  readonly priceChanges: number;
}

const DAY = 86_400_000;
/** How long one lasts: a tenth of the year. */
const DAYS = 36;
const ROUNDINGS: readonly (RoundingDocument | undefined)[] = [
  undefined,
  { step: '0.05', mode: 'up' },
  { endings: ['0.49', '0.99'], mode: 'nearest' },
];

/**
 * A chain whose price changes lie over each other as they do in a large one: many live at once over much of the goods,
 * in groups of stores with exceptions, several at the same priority, some on top, for members, or only after six.
 */
export function crowdedChain(size: CrowdedSize, today: string, seed = 11): PlanDocument {
  const base = chain({ ...size, terminals: size.stores, priceChanges: 0 }, today, seed);
  const random = seeded(seed);
  const stores = base.stores.map(({ id }) => id);
  const groups = Array.from({ length: size.groups }, (_, i) => ({
    id: `g${i + 1}`,
    name: `Group ${i + 1}`,
    rule: { stores: stores.filter(() => random.chance(0.5)) },
  }));
  const leaves = leavesOf(base);
  const promotions = Array.from({ length: size.priceChanges }, (_, i): PromotionDocument => {
    const begin = Date.parse(`${today}T00:00Z`) + random.between(-182 - DAYS, 182) * DAY;
    const day = (at: number) => new Date(at).toISOString().slice(0, 10);
    const onTop = random.chance(0.02);
    return {
      id: `p${String(i + 1).padStart(4, '0')}`,
      name: `Change ${i + 1}`,
      status: 'approved',
      priority: random.between(1, 60),
      where: whereOf(groups, stores, random),
      when: {
        from: `${day(begin)}T06:00`,
        to: `${day(begin + DAYS * DAY)}T22:00`,
        ...(random.chance(0.03) ? { windows: [{ from: '18:00', to: '20:00' }] } : {}),
      },
      ...(random.chance(0.05) ? { who: { groups: ['members'] } } : {}),
      ...(!onTop && random.chance(0.03) ? { alone: true } : {}),
      offer: {
        kind: 'priceChange',
        items: itemsOf(leaves, size.items, random),
        formula: onTop ? { percentOff: 500 } : formulaOf(random),
        ...roundingOf(random),
        ...(onTop ? { onTop } : {}),
      },
    };
  });
  return { ...base, storeGroups: [...base.storeGroups!, ...groups], promotions };
}

/** The lowest nodes of the hierarchy, each with how many goods stand there. */
function leavesOf({ items }: PlanDocument): [node: string, count: number][] {
  const counts = new Map<string, number>();
  for (const { node } of items) counts.set(node, (counts.get(node) ?? 0) + 1);
  return [...counts];
}

function itemsOf(leaves: readonly [string, number][], items: number, random: Seeded): ItemRule {
  const wanted = items * (0.05 + random.next() * 0.15);
  const first = random.between(0, leaves.length - 1);
  const nodes: string[] = [];
  for (let i = 0, count = 0; count < wanted && i < leaves.length; i++) {
    const [node, goods] = leaves[(first + i) % leaves.length]!;
    nodes.push(node);
    count += goods;
  }
  const selected: ItemRule = { anyOf: nodes.map((node) => ({ node })) };
  return random.chance(0.2) ? { allOf: [selected, { not: { tag: 'new' } }] } : selected;
}

function whereOf(
  groups: readonly { readonly id: string }[],
  stores: readonly string[],
  random: Seeded,
): StoreRule {
  const group: StoreRule = { group: random.pick(groups).id };
  if (random.chance(0.5)) return group;
  return { allOf: [group, { not: { stores: [random.pick(stores), random.pick(stores)] } }] };
}

function formulaOf(random: Seeded): FormulaDocument {
  const kind = random.next();
  if (kind < 0.7) return { percentOff: random.pick([500, 1000, 1250, 1500, 2000, 3300]) };
  if (kind < 0.85) return { multiplyBy: random.pick(['0.9', '0.85', '1.1']) };
  return kind < 0.95 ? { amountOff: '0.20' } : { addPercent: 2000 };
}

function roundingOf(random: Seeded): { rounding?: RoundingDocument } {
  const rounding = random.pick(ROUNDINGS);
  return rounding ? { rounding } : {};
}
