import {
  done,
  failed,
  type GridCellView,
  type GridPriceView,
  type GridQuestion,
  type GridRequest,
  type GridView,
  may,
  type Outcome,
  type Person,
  writeStores,
} from '../../contracts/index.ts';
import type { Instant } from '../../core/calendar/index.ts';
import {
  type CellPrice,
  cellsOf,
  type Grid,
  type GridCell,
  type GridColumn,
  gridOf,
} from '../../core/grid/index.ts';
import { formatAmount, type MinorUnits } from '../../core/money/index.ts';
import type { CompiledPlan } from '../../core/price-book/index.ts';
import { storesAsked } from '../check/index.ts';
import { seenBy } from '../people/index.ts';
import type { CurrentPlan, StockroomStore } from '../ports/index.ts';
import { skusWith, wordsOf } from '../stockroom/index.ts';
import { type GridPorts, gridSides, type ReadSides } from './grid-sides.ts';

/** What is told at once: a few screens in both directions. */
const ROWS = 120;
const COLUMNS = 48;

type Ports = GridPorts & { readonly stockroom: StockroomStore };

/** A grid that was laid out, and what its cells are read from. */
export interface LaidGrid extends Grid {
  readonly compiled: CompiledPlan;
  readonly sides: ReadSides;
  readonly stores: readonly string[];
}

/** A part of the grid of goods by stores: the same hour of each store's own clock, for one kind of shopper. */
export async function lookAtGrid(
  ports: Ports,
  person: Person,
  { row, column, ...asked }: GridRequest,
  now: Instant,
): Promise<Outcome<GridView>> {
  const laid = await layOutGrid(ports, person, asked, now);
  if (!laid.ok) return laid;
  const grid = laid.value;
  const first = Number(row ?? 0);
  const left = Number(column ?? 0);
  const { compiled, sides } = grid;
  const named = ({ stores }: { stores: readonly string[] }) =>
    stores.map((id) => ({ id, name: compiled.stores.get(id)!.name }));
  return done({
    currency: compiled.plan.currency.code,
    at: asked.at,
    stores: grid.stores.length,
    goods: grid.goods.length,
    changed: sides.was ? grid.changed : null,
    columns: grid.columns.map((one) => ({ stores: named(one) })),
    without: named({ stores: sides.without }),
    first,
    ...rowsOf(grid, { first, last: first + ROWS, left, right: left + COLUMNS }),
  });
}

interface Part {
  readonly first: number;
  readonly last: number;
  readonly left: number;
  readonly right: number;
}

/** The rows of a part of the grid, with the promotions that made their prices. */
export function rowsOf(
  { compiled, sides, goods, columns }: LaidGrid,
  { first, last, left, right }: Part,
): Pick<GridView, 'rows' | 'promotions'> {
  const part = goods.subarray(first, last);
  const shown = columns.slice(left, right);
  const cells = cellsOf(sides, part, shown);
  const names = new Map(compiled.plan.promotions.map(({ id, name }) => [id, name]));
  const nodes = new Map(compiled.plan.nodes.map(({ id, name }) => [id, name]));
  const promotions: { id: string; name: string }[] = [];
  const numbers = new Map<string, number>();
  const numberOf = (id: string | null): number => {
    if (id === null) return -1;
    const found = numbers.get(id) ?? promotions.push({ id, name: names.get(id) ?? id }) - 1;
    numbers.set(id, found);
    return found;
  };
  const told = (price: number | null) =>
    price === null ? null : formatAmount(price as MinorUnits, compiled.plan.currency);
  const viewOf = ({ price, promotion, was }: CellPrice): GridPriceView => {
    const here = [told(price), numberOf(promotion)] as const;
    return was ? [...here, told(was.price), numberOf(was.promotion)] : here;
  };
  const cellView = (cell: GridCell, { stores }: GridColumn): GridCellView =>
    cell.length === 1 && cell[0]!.stores.length === stores.length
      ? [[viewOf(cell[0]!)]]
      : [cell.map(viewOf), cell.map((one) => writeStores(one.stores))];
  const rows = Array.from(part, (position, r) => {
    const { sku, name, node } = compiled.catalogue.items[compiled.grounds.order.indexAt[position]!]!;
    return {
      sku,
      name,
      group: nodes.get(node) ?? node,
      cells: cells.map((column, c) => cellView(column[r]!, shown[c]!)),
    };
  });
  return { rows, promotions };
}

/** Lays the grid out, or takes the one that was laid out for the same question and plan. */
export async function layOutGrid(
  ports: Ports,
  person: Person,
  asked: GridQuestion,
  now: Instant,
): Promise<Outcome<LaidGrid>> {
  if (!may(person, 'see')) return failed({ kind: 'forbidden' });
  const current = await seenBy(ports.book, person);
  const key = JSON.stringify([person.stores, asked, await besidePlan(ports, asked)]);
  const found = keptOf(current).get(key);
  if (found) return done(found);
  const stores = storesAsked(asked.where, person, current);
  if (!stores) return failed({ kind: 'not-found', what: `stores "${asked.where}" for you` });
  const goods = await goodsAsked(ports, asked, current.compiled);
  if (!goods) return failed({ kind: 'not-found', what: `group of goods "${asked.node}"` });
  const sides = await gridSides(ports, person, asked, { current, stores, now });
  if (!sides.ok) return sides;
  const grid = gridOf({ ...sides.value, goods, stores, onlyChanged: asked.changed === '1' });
  const laid = { ...grid, compiled: current.compiled, sides: sides.value, stores };
  keep(current, key, laid);
  return done(laid);
}

/** What terminals hold, and changes that wait, become others while the plan stays. */
async function besidePlan(
  { sending, promotions }: Ports,
  { against, other = '' }: GridQuestion,
): Promise<unknown> {
  if (against === 'promotion') return promotions.find(other);
  if (against !== 'held') return null;
  const terminals = await sending.terminals();
  return [await sending.newestRollout(), terminals.map(({ terminal, holds }) => [terminal, holds])];
}

/** A person scrolls over one grid, and goes back and forth between a few. */
const KEPT = 6;
const laidOut = new WeakMap<CurrentPlan, Map<string, LaidGrid>>();

const keptOf = (current: CurrentPlan): ReadonlyMap<string, LaidGrid> => laidOut.get(current) ?? new Map();

function keep(current: CurrentPlan, key: string, grid: LaidGrid): void {
  const kept = laidOut.get(current) ?? new Map<string, LaidGrid>();
  laidOut.set(current, kept);
  kept.delete(key);
  kept.set(key, grid);
  if (kept.size > KEPT) kept.delete(kept.keys().next().value!);
}

/** Positions in shelf order of the goods that are asked for; null where there is no such place in the hierarchy. */
async function goodsAsked(
  { stockroom }: Ports,
  { node, q = '' }: GridQuestion,
  { catalogue, grounds, plan }: CompiledPlan,
): Promise<Int32Array | null> {
  const under = node === undefined ? null : catalogue.nodesUnder(node);
  if (node !== undefined && !plan.nodes.some(({ id }) => id === node)) return null;
  const words = wordsOf(q);
  const found = words.length === 0 ? null : await skusWith(stockroom, words);
  const { indexAt } = grounds.order;
  return Int32Array.from(indexAt.keys()).filter((position) => {
    const item = catalogue.items[indexAt[position]!]!;
    if (catalogue.isParent(indexAt[position]!)) return false;
    return (!under || under.has(item.node)) && (!found || found.has(item.sku));
  });
}
