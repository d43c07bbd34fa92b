import { ASSORTMENT, type Variety } from './assortment.ts';

/** A kind of goods on the lowest level of the hierarchy. */
export interface GoodsKind {
  readonly name: string;
  /** Rising, in `unit`; empty: one of it, or loose by the kilogram. */
  readonly sizes: readonly number[];
  readonly unit: string;
  readonly loose: boolean;
  /** Of the middle size at a middling brand, in euro. */
  readonly price: number;
  /** What is kept of a price, as a part of it. */
  readonly margin: number;
  readonly variety: Variety;
}

export interface HierarchyNode {
  readonly id: string;
  readonly name: string;
  readonly parent?: string;
  /** The name of its department. */
  readonly department: string;
  /** On the lowest level: what stands there. */
  readonly kind?: GoodsKind;
}

export const slug = (text: string): string =>
  text
    .normalize('NFD')
    .replace(/\p{Mark}/gu, '')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '');

/** All nodes, parents first. */
export function hierarchy(): HierarchyNode[] {
  return Object.entries(ASSORTMENT).flatMap(([department, categories]) => [
    { id: slug(department), name: department, department },
    ...categories.flatMap(([category, margin, kinds]) => [
      { id: slug(category), name: category, parent: slug(department), department },
      ...kinds
        .map((text) => kindOf(text, margin / 100))
        .map((kind) => ({
          id: slug(kind.name),
          name: kind.name,
          parent: slug(category),
          department,
          kind,
        })),
    ]),
  ]);
}

/** Reads `name: sizes, unit, price[, variety]`, `name: one, price[, variety]` or `name: kg, price[, variety]`. */
function kindOf(text: string, margin: number): GoodsKind {
  const [name, said] = text.split(': ') as [string, string];
  const [first, ...rest] = said.split(', ') as [string, ...string[]];
  const sized = /^\d/.test(first);
  const [price, variety = 'none'] = (sized ? rest.slice(1) : rest) as [string, Variety?];
  return {
    name,
    sizes: sized ? first.split(' ').map(Number) : [],
    unit: sized ? rest[0]! : '',
    loose: first === 'kg',
    price: Number(price),
    margin,
    variety,
  };
}
