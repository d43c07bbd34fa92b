import { checkDigit, type ItemDocument } from '../src/core/plan/index.ts';
import { type GoodsKind, type HierarchyNode, hierarchy } from './hierarchy.ts';
import type { Seeded } from './seeded.ts';

const BRANDS = [
  'Quillmere',
  'Alderwen',
  'Brisholt',
  'Cawdrey',
  'Dunmarrow',
  'Elspire',
  'Fennick',
  'Gallowby',
  'Harrowmint',
  'Isenbrook',
  'Juniper & Vane',
  'Kestova',
  'Lumarel',
  'Merrowyn',
  'Nettlecombe',
  'Orsolin',
  'Pellowe',
  'Quennel',
  'Rosmarra',
  'Sablewick',
  'Tavishmoor',
  'Umberlea',
  'Velloway',
  'Wrenfold',
];
const SCENTS = [
  'Lavender',
  'Citrus',
  'Sea salt',
  'Rose',
  'Oat',
  'Aloe',
  'Mint',
  'Almond',
  'Green tea',
  'Unscented',
];
const SIZES = ['50 ml', '75 ml', '100 ml', '150 ml', '200 ml', '250 ml', '400 ml', '500 ml'];
const COUNTS = ['6 pieces', '10 pieces', '20 pieces', '40 pieces', '80 pieces'];

/** Endings of shelf prices that a drugstore uses. */
const shelfPrice = (euro: number): number =>
  Math.max(0.45, Math.floor(euro) + [0.25, 0.49, 0.75, 0.95, 0.99][Math.floor(euro * 7) % 5]!);
const text = (euro: number): string => euro.toFixed(2);

export interface GoodsWanted {
  readonly items: number;
  /** Zones that may have prices of their own. */
  readonly zones: readonly string[];
  readonly stores: readonly string[];
  /** A date some weeks before today and one a little ahead, for dated prices. */
  readonly past: string;
  readonly ahead: string;
}

/** Items in a hierarchy, with brands, variants, loose goods, costs and dated prices. */
export function goods(
  wanted: GoodsWanted,
  random: Seeded,
): { nodes: HierarchyNode[]; items: ItemDocument[] } {
  const nodes = hierarchy();
  const leaves = nodes.filter((node) => node.kind);
  const items: ItemDocument[] = [];
  for (let i = 0; items.length < wanted.items; i++) {
    const leaf = leaves[i % leaves.length]!;
    const family = random.chance(0.12) && items.length + 4 <= wanted.items;
    items.push(
      ...(family
        ? variants(leaf, items.length, wanted, random)
        : [single(leaf, items.length, wanted, random)]),
    );
  }
  return { nodes, items };
}

const skuAt = (number: number): string => `Q${String(100_001 + number)}`;

function gtinAt(number: number): string {
  const digits = `20${String(number).padStart(10, '0')}`;
  return digits + checkDigit(digits);
}

function single(leaf: HierarchyNode, number: number, wanted: GoodsWanted, random: Seeded): ItemDocument {
  const kind = leaf.kind!;
  const brand = random.pick(BRANDS);
  const loose = kind.name.endsWith('loose');
  const travel = !loose && random.chance(0.06);
  const size = loose ? '' : ` ${travel ? '50 ml' : sizeOf(kind, random)}`;
  const price = shelfPrice((kind.low + random.next() ** 2 * (kind.high - kind.low)) * (travel ? 0.4 : 1));
  return {
    sku: skuAt(number),
    name: `${brand} ${kind.name}${size}`,
    node: leaf.id,
    gtin: gtinAt(number),
    brand,
    ...(loose ? { unit: 'kg' as const } : { weight: (0.05 + random.next()).toFixed(3) }),
    cost: text(price * (0.42 + random.next() * 0.33)),
    attributes: { scent: random.pick(SCENTS), ...(size ? { size: size.trim() } : {}) },
    tags: tagsOf(travel, brand, random),
    prices: pricesOf(price, wanted, random),
  };
}

function sizeOf(kind: GoodsKind, random: Seeded): string {
  return /milk|gel|spray|oil|cream|lotion|shampoo|fluid|drops|syrup|water|drink|cleaner|toilette|mist|rinse/i.test(
    kind.name,
  )
    ? random.pick(SIZES)
    : random.pick(COUNTS);
}

function tagsOf(travel: boolean, brand: string, random: Seeded): string[] {
  return [
    travel ? 'travel-size' : null,
    brand === 'Quillmere' ? 'own-label' : null,
    random.chance(0.05) ? 'new' : null,
    random.chance(0.08) ? 'natural' : null,
  ].filter((tag) => tag !== null);
}

/** A parent that is not sold itself, and three to four scents of it. */
function variants(leaf: HierarchyNode, number: number, wanted: GoodsWanted, random: Seeded): ItemDocument[] {
  const model = single(leaf, number, wanted, random);
  const parent: ItemDocument = {
    sku: model.sku,
    name: model.name,
    node: leaf.id,
    brand: model.brand,
    prices: [],
  };
  const count = random.between(2, 3);
  return [
    parent,
    ...Array.from({ length: count }, (_, i) => ({
      ...model,
      sku: skuAt(number + 1 + i),
      gtin: gtinAt(number + 1 + i),
      name: `${model.name}, ${SCENTS[(number + i) % SCENTS.length]!.toLowerCase()}`,
      parent: parent.sku,
      attributes: { ...model.attributes, scent: SCENTS[(number + i) % SCENTS.length]! },
    })),
  ];
}

function pricesOf(price: number, wanted: GoodsWanted, random: Seeded): ItemDocument['prices'] {
  const rows: ItemDocument['prices'] = [{ price: text(price) }];
  if (random.chance(0.15)) rows.push({ price: text(shelfPrice(price * 1.06)), since: wanted.past });
  if (random.chance(0.05)) rows.push({ price: text(shelfPrice(price * 1.09)), since: wanted.ahead });
  if (random.chance(0.12))
    rows.push({ price: text(shelfPrice(price * 1.12)), zone: random.pick(wanted.zones) });
  if (random.chance(0.02))
    rows.push({ price: text(shelfPrice(price * 0.93)), store: random.pick(wanted.stores) });
  return rows;
}
