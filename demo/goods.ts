import { checkDigit, type ItemDocument } from '../src/core/plan/index.ts';
import { BRANDS, type Brand, LINES, OWN_LABEL, VARIETIES } from './brands.ts';
import { type GoodsKind, type HierarchyNode, hierarchy } from './hierarchy.ts';
import type { Seeded } from './seeded.ts';
import { sizeLadder } from './size-ladder.ts';

export interface GoodsWanted {
  readonly items: number;
  /** Zones that may have prices of their own. */
  readonly zones: readonly string[];
  readonly stores: readonly string[];
  /** A date some weeks before today and one a little ahead, for dated prices. */
  readonly past: string;
  readonly ahead: string;
}

/** Items in a hierarchy: brands with their lines in several sizes, variants, loose goods, costs and dated prices. */
export function goods(
  wanted: GoodsWanted,
  random: Seeded,
): { nodes: HierarchyNode[]; items: ItemDocument[] } {
  const nodes = hierarchy();
  const leaves = nodes.filter((node) => node.kind);
  const items: ItemDocument[] = [];
  for (let round = 0; items.length < wanted.items; round++) {
    for (const [aisle, leaf] of leaves.entries()) {
      const line = product(leaf, round, items.length, wanted, random);
      items.push(...line.map((item, place) => ({ ...item, shelf: shelfAt(aisle, round, place) })));
      if (items.length >= wanted.items) break;
    }
  }
  return { nodes, items: items.slice(0, wanted.items) };
}

/** Each shelf of the hierarchy stands in an aisle of its own, line by line: "12-03-2". */
const shelfAt = (aisle: number, bay: number, place: number): string =>
  [`${aisle + 1}`.padStart(2, '0'), `${bay + 1}`.padStart(2, '0'), place + 1].join('-');

const skuAt = (number: number): string => `Q${String(100_001 + number)}`;
const text = (cents: number): string => (cents / 100).toFixed(2);

function gtinAt(number: number): string {
  const digits = `20${String(number).padStart(10, '0')}`;
  return digits + checkDigit(digits);
}

/** One line of one brand in its sizes; each round over the shelves has another. */
function product(
  leaf: HierarchyNode,
  round: number,
  from: number,
  wanted: GoodsWanted,
  random: Seeded,
): ItemDocument[] {
  const kind = leaf.kind!;
  const brands = BRANDS[leaf.department]!;
  const brand = brands[(round + leaf.name.length) % brands.length]!;
  const turn = Math.floor(round / brands.length);
  const line = LINES[turn % LINES.length]!;
  const edition = Math.floor(turn / LINES.length);
  const title = [brand.name, line.name, kind.name, edition ? `No. ${edition + 1}` : ''].filter(Boolean);
  const made: Product = {
    leaf,
    kind,
    brand,
    title: title.join(' '),
    middle: kind.price * 100 * brand.level * line.level,
    margin: Math.min(0.62, kind.margin + (brand === OWN_LABEL ? 0.08 : 0) + (random.next() - 0.5) * 0.06),
    turns: turnsOf(wanted, random),
    tags: [
      brand === OWN_LABEL ? 'own-label' : null,
      random.chance(0.05) ? 'new' : null,
      line.name === 'Natural' || random.chance(0.05) ? 'natural' : null,
    ].filter((tag) => tag !== null),
    variety: pickedVariety(kind, round),
  };
  return packs(made).flatMap((pack, i, all) => {
    const number =
      from + all.slice(0, i).reduce((sum, { varieties }) => sum + (varieties ? varieties.length + 1 : 1), 0);
    return pack.varieties ? family(made, pack, number) : [item(made, pack, number)];
  });
}

interface Product {
  readonly leaf: HierarchyNode;
  readonly kind: GoodsKind;
  readonly brand: Brand;
  readonly title: string;
  /** Of the middle size, in cents, as worked out. */
  readonly middle: number;
  readonly margin: number;
  readonly turns: readonly Turn[];
  readonly tags: readonly string[];
  readonly variety: string | null;
}

/** Where or from when it costs so many times as much. */
interface Turn {
  readonly times: number;
  readonly place: { readonly since?: string; readonly zone?: string; readonly store?: string };
}

interface Pack {
  /** How much is in it, in the kind's unit; null: one of it, or loose. */
  readonly size: number | null;
  /** Its price by turn, in cents. */
  readonly prices: readonly number[];
  readonly travel: boolean;
  /** A parent and one of each; null: sold as it is. */
  readonly varieties: readonly string[] | null;
}

function turnsOf(wanted: GoodsWanted, random: Seeded): Turn[] {
  const turns: Turn[] = [{ times: 1, place: {} }];
  if (random.chance(0.15)) turns.push({ times: 1.06, place: { since: wanted.past } });
  if (random.chance(0.05)) turns.push({ times: 1.09, place: { since: wanted.ahead } });
  if (random.chance(0.12)) turns.push({ times: 1.1, place: { zone: random.pick(wanted.zones) } });
  if (random.chance(0.02)) turns.push({ times: 0.95, place: { store: random.pick(wanted.stores) } });
  return turns;
}

const pickedVariety = ({ variety }: GoodsKind, round: number): string | null =>
  variety === 'none' ? null : VARIETIES[variety][round % VARIETIES[variety].length]!;

/** Small bottles for travellers: of what is carried along. */
const TRAVEL = 50;
const travels = ({ unit, sizes }: GoodsKind): boolean =>
  unit === 'ml' && sizes[0]! >= 100 && sizes[0]! <= 250;

/** Its sizes, in some of its lines with a small bottle before them, in one of them in several varieties. */
function packs({ kind, middle, turns, brand, leaf }: Product): Pack[] {
  if (kind.sizes.length === 0)
    return [
      {
        size: null,
        prices: turns.map(({ times }) => sizeLadder([], 1, middle * times)[0]!),
        travel: false,
        varieties: kind.variety === 'shade' ? VARIETIES.shade.slice(0, 3) : null,
      },
    ];
  const small = leaf.department === 'Beauty' && travels(kind) && brand.level !== 1;
  const sizes = small ? [TRAVEL, ...kind.sizes] : kind.sizes;
  const reference = kind.sizes[Math.floor((kind.sizes.length - 1) / 2)]!;
  const ladders = turns.map(({ times }) => sizeLadder(sizes, reference, middle * times));
  const varieties = kind.variety === 'none' ? null : VARIETIES[kind.variety].slice(0, 3);
  const spread = Math.round(middle) % 5 === 0;
  return sizes.map((size, i) => ({
    size,
    prices: ladders.map((ladder) => ladder[i]!),
    travel: small && i === 0,
    varieties: spread && i === 1 ? varieties : null,
  }));
}

function item(made: Product, pack: Pack, number: number): ItemDocument {
  const { kind, leaf, brand, margin, turns, tags, variety } = made;
  const { size, prices, travel } = pack;
  const said = size === null ? '' : ` ${sizeText(size, kind.unit)}`;
  return {
    sku: skuAt(number),
    name: `${made.title}${variety ? `, ${variety.toLowerCase()}` : ''}${said}`,
    node: leaf.id,
    gtin: gtinAt(number),
    brand: brand.name,
    ...(kind.loose ? { unit: 'kg' as const } : {}),
    ...(size === null ? {} : { ...weightOf(size, kind.unit), content: contentOf(size, kind.unit) }),
    cost: text(Math.round(prices[0]! * (1 - margin))),
    ...attributesOf(kind, variety, said.trim()),
    tags: [...(travel ? ['travel-size'] : []), ...tags],
    // A row that says what stands already is left out.
    prices: turns.flatMap(({ place }, i) =>
      i > 0 && prices[i] === prices[0] ? [] : [{ price: text(prices[i]!), ...place }],
    ),
  };
}

function attributesOf(
  { variety: of }: GoodsKind,
  variety: string | null,
  size: string,
): Pick<ItemDocument, 'attributes'> {
  const attributes = {
    ...(variety && of !== 'none' ? { [of]: variety } : {}),
    ...(size ? { size } : {}),
  };
  return Object.keys(attributes).length > 0 ? { attributes } : {};
}

/** A parent that is not sold itself, and one of each variety of it. */
function family(made: Product, pack: Pack, number: number): ItemDocument[] {
  const { attributes: _, ...model } = item({ ...made, variety: null }, pack, number);
  const { sku, name, node, brand } = model;
  const parent: ItemDocument = { sku, name, node, brand: brand!, prices: [] };
  return [
    parent,
    ...pack.varieties!.map((variety, i) => ({
      ...item({ ...made, variety }, pack, number + 1 + i),
      parent: sku,
    })),
  ];
}

function sizeText(size: number, unit: string): string {
  if (size >= 1000 && unit === 'ml') return `${size / 1000} l`;
  if (size >= 1000 && unit === 'g') return `${size / 1000} kg`;
  return `${size} ${size === 1 ? unit.replace(/s$/, '') : unit}`;
}

function contentOf(size: number, unit: string): NonNullable<ItemDocument['content']> {
  if (unit === 'ml') return { amount: String(size / 1000), unit: 'l' };
  if (unit === 'g') return { amount: String(size / 1000), unit: 'kg' };
  return { amount: String(size), unit: unit === 'm' ? 'm' : 'piece' };
}

/** With its packing; nobody weighs what is counted. */
function weightOf(size: number, unit: string): { weight?: string } {
  if (unit !== 'ml' && unit !== 'g') return {};
  return { weight: (size / 1000 + 0.03).toFixed(3) };
}
