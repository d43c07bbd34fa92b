import type { Contender } from './contender.ts';
import type { LayeredGraph } from './layered-graph.ts';
import type { Unit } from './unit.ts';

/** Units that are read one right after the other, as nothing tells them apart. */
interface Block {
  readonly units: readonly Unit[];
  /** Indexes of the contenders that read them. */
  readonly readers: readonly number[];
  /** Blocks that have to come before. */
  readonly after: Set<number>;
}

/** So many beginnings are tried; more have never paid. */
const BEGINNINGS = 8;

/**
 * An order of reading in which few contenders are open at once: begun, but not yet through with their units. The beam
 * search looks at combinations of the states of open ones, so that it pays to read together what is wanted together. A
 * contender to which the order matters goes on reading its own units in the order at hand.
 * @param byNumber the contenders behind `layered`.
 * @param spend is told of the work.
 * @returns the units in the better of the orders that were tried; the one at hand among them.
 */
export function rearranged(
  layered: readonly LayeredGraph[],
  units: readonly Unit[],
  byNumber: ReadonlyMap<number, Contender>,
  spend: (work: number) => boolean,
): readonly Unit[] {
  const contenders = layered.map(({ contender }) => byNumber.get(contender)!);
  const blocks = blocksOf(layered, units, contenders);
  const weights = layered.map(weightOf);
  const atHand = blocks.map((_, i) => i);
  let best = { order: atHand, cost: costOf(atHand, blocks, weights) };
  const beginnings = atHand.filter((i) => blocks[i]!.after.size === 0);
  const step = Math.max(1, Math.ceil(beginnings.length / BEGINNINGS));
  for (let b = 0; b < beginnings.length; b += step) {
    spend(blocks.length * blocks.length);
    const order = inTurn(beginnings[b]!, blocks, weights);
    const cost = costOf(order, blocks, weights);
    if (cost < best.cost) best = { order, cost };
  }
  return best.order.flatMap((i) => blocks[i]!.units);
}

/** How many binary digits the states of a contender fill between two of its units, at most. */
function weightOf({ offset }: LayeredGraph): number {
  let most = 1;
  for (let l = 1; l < offset.length; l++) most = Math.max(most, offset[l]! - offset[l - 1]!);
  return Math.log2(most);
}

function blocksOf(
  layered: readonly LayeredGraph[],
  units: readonly Unit[],
  contenders: readonly Contender[],
): readonly Block[] {
  const alike = (a: Unit, b: Unit, readers: readonly number[]) =>
    readers.every((reader) => contenders[reader]!.kindOf(a) === contenders[reader]!.kindOf(b));
  const readers = new Map<number, number[]>(units.map(({ position }) => [position, []]));
  layered.forEach(({ units: own }, i) => {
    for (const { position } of own) readers.get(position)!.push(i);
  });
  const blocks: { units: Unit[]; readers: readonly number[]; after: Set<number> }[] = [];
  for (const unit of units) {
    const last = blocks.at(-1);
    const own = readers.get(unit.position)!;
    if (last && String(last.readers) === String(own) && alike(last.units[0]!, unit, own))
      last.units.push(unit);
    else blocks.push({ units: [unit], readers: own, after: new Set() });
  }
  const before = new Map<number, number>();
  blocks.forEach((block, i) => {
    for (const reader of block.readers) {
      if (!contenders[reader]!.automaton.ordered) continue;
      const earlier = before.get(reader);
      if (earlier !== undefined) block.after.add(earlier);
      before.set(reader, i);
    }
  });
  return blocks;
}

/** Begins with one block, and goes on with the one that leaves least open. */
function inTurn(first: number, blocks: readonly Block[], weights: readonly number[]): number[] {
  const left = lengthsOf(blocks, weights.length);
  const whole = left.slice();
  const placed = new Set<number>();
  const order: number[] = [];
  const place = (i: number) => {
    placed.add(i);
    order.push(i);
    for (const reader of blocks[i]!.readers) left[reader]! -= 1;
  };
  place(first);
  while (order.length < blocks.length) {
    let next = -1;
    let least = Number.POSITIVE_INFINITY;
    let most = -1;
    blocks.forEach(({ readers, after }, i) => {
      if (placed.has(i)) return;
      for (const one of after) if (!placed.has(one)) return;
      let opened = 0;
      let going = 0;
      for (const reader of readers) {
        const isOpen = left[reader]! < whole[reader]!;
        if (isOpen) going += weights[reader]!;
        if (left[reader] === 1) opened -= isOpen ? weights[reader]! : 0;
        else if (!isOpen) opened += weights[reader]!;
      }
      if (opened < least || (opened === least && going > most)) {
        next = i;
        least = opened;
        most = going;
      }
    });
    place(next);
  }
  return order;
}

/** How many blocks each contender reads. */
function lengthsOf(blocks: readonly Block[], contenders: number): number[] {
  const lengths = new Array<number>(contenders).fill(0);
  for (const { readers } of blocks) for (const reader of readers) lengths[reader]! += 1;
  return lengths;
}

/** About how many combinations of states a search in this order looks at. */
function costOf(order: readonly number[], blocks: readonly Block[], weights: readonly number[]): number {
  const left = lengthsOf(blocks, weights.length);
  const whole = left.slice();
  let open = 0;
  let cost = 0;
  for (const i of order) {
    for (const reader of blocks[i]!.readers) {
      if (left[reader] === whole[reader] && left[reader]! > 1) open += weights[reader]!;
      else if (left[reader] === 1 && whole[reader]! > 1) open -= weights[reader]!;
      left[reader]! -= 1;
    }
    cost += 2 ** Math.min(open, 1_000) * blocks[i]!.units.length;
  }
  return cost;
}
