import { type CompiledChange, type CompiledPlan, NO_PRICE } from '../price-book/index.ts';
import { onTopOrder, priorityFirst } from '../tag-price/index.ts';
import type { Footing } from './footing.ts';
import type { StepLog } from './step-log.ts';

/**
 * The tag prices of some goods while changes come and go: what begins is held against what stands, and only where
 * something ends is the next best looked for.
 */
export interface Row {
  /** Nothing counts any more, and nothing has been told of. */
  clear(): void;
  /** What prices stand on is another now: all that counts is laid on it anew. */
  standOn(footing: Footing): void;
  end(changes: readonly number[]): void;
  begin(changes: readonly number[]): void;
  /** Notes the steps of all goods that were touched since. */
  note(moment: number, log: StepLog): void;
}

export function rowOver(compiled: CompiledPlan, changes: readonly CompiledChange[], goods: number): Row {
  const isOnTop = changes.map(({ promotion }) => promotion.offer.onTop);
  const goesBefore = orderOf(compiled, changes);
  const won = new Int32Array(goods);
  const amounts = new Float64Array(goods);
  const touched = touchedGoods(goods);
  const opened = new Int32Array(goods);
  let round = 0;
  let live: number[] = [];
  let tops: number[] = [];
  let footing: Footing;

  const contest = (good: number, number: number, amount: number): void => {
    const holder = won[good]!;
    if (holder !== -1 && !goesBefore(number, amount, holder, amounts[good]!)) return;
    won[good] = number;
    amounts[good] = amount;
    touched.add(good);
  };
  const layOn = (number: number): void => {
    const { goods: at, amounts: results } = footing.cellsOf(number);
    for (let i = 0; i < at.length; i++) contest(at[i]!, number, results[i]!);
  };
  const touchAll = (number: number): void => {
    for (const good of footing.cellsOf(number).goods) touched.add(good);
  };
  const vacate = (number: number): void => {
    for (const good of footing.cellsOf(number).goods) {
      if (won[good] !== number) continue;
      won[good] = -1;
      opened[good] = round;
      touched.add(good);
    }
  };
  const fillIn = (number: number): void => {
    const { goods: at, amounts: results } = footing.cellsOf(number);
    for (let i = 0; i < at.length; i++) if (opened[at[i]!] === round) contest(at[i]!, number, results[i]!);
  };
  return {
    clear() {
      live = [];
      tops = [];
    },
    standOn(next) {
      footing = next;
      won.fill(-1);
      touched.addAll();
      for (const number of live) layOn(number);
    },
    end(numbers) {
      round += 1;
      const left = (number: number): boolean => !numbers.includes(number);
      live = live.filter(left);
      tops = tops.filter(left);
      for (const number of numbers) (isOnTop[number] ? touchAll : vacate)(number);
      for (const number of live) if (numbers.some((ended) => footing.meets(number, ended))) fillIn(number);
    },
    begin(numbers) {
      for (const number of numbers) {
        if (isOnTop[number]) {
          tops = [...tops, number].sort((a, b) => onTopOrder(changes[a]!.promotion, changes[b]!.promotion));
          touchAll(number);
        } else {
          live.push(number);
          layOn(number);
        }
      }
    },
    note(moment, log) {
      const stepped = steppedBy(changes, tops, footing);
      touched.drain((good) => {
        const { base, regular } = footing;
        if (regular[good] === NO_PRICE) return log.note(good, moment, NO_PRICE, -1, 0, false);
        const winner = won[good]!;
        const start = winner === -1 ? base[good]! : amounts[good]!;
        const applied: number[] = [];
        const alone = winner !== -1 && changes[winner]!.promotion.alone;
        const price = alone || tops.length === 0 ? start : stepped(good, start, applied);
        log.note(good, moment, price, winner, log.listed(applied), price < regular[good]!);
      });
    },
  };
}

type GoesBefore = (a: number, result: number, b: number, other: number) => boolean;

/** Numbers rise with ids. */
function orderOf({ order }: CompiledPlan, changes: readonly CompiledChange[]): GoesBefore {
  const priorities = Float64Array.from(changes, ({ promotion }) => promotion.priority);
  return order === priorityFirst
    ? (a, result, b, other) => (priorities[a]! - priorities[b]! || result - other || a - b) < 0
    : (a, result, b, other) => (result - other || priorities[a]! - priorities[b]! || a - b) < 0;
}

/** What changes on top make of a price; those that lower it are noted. */
function steppedBy(
  changes: readonly CompiledChange[],
  tops: readonly number[],
  { base, cellsOf }: Footing,
): (good: number, start: number, applied: number[]) => number {
  const selected = tops.map((number) => {
    const mask = new Uint8Array(base.length);
    for (const good of cellsOf(number).goods) mask[good] = 1;
    return mask;
  });
  return (good, start, applied) => {
    let price = start;
    tops.forEach((number, i) => {
      if (selected[i]![good] === 0) return;
      const after = changes[number]!.table().step(price, base[good]!);
      if (after >= price) return;
      applied.push(number);
      price = after;
    });
    return price;
  };
}

/** Goods that were touched, each once. */
function touchedGoods(size: number) {
  const list = new Int32Array(size);
  const isIn = new Uint8Array(size);
  let count = 0;
  const add = (good: number): void => {
    if (isIn[good] === 1) return;
    isIn[good] = 1;
    list[count++] = good;
  };
  return {
    add,
    addAll(): void {
      for (let good = 0; good < size; good++) add(good);
    },
    drain(visit: (good: number) => void): void {
      for (let i = 0; i < count; i++) {
        isIn[list[i]!] = 0;
        visit(list[i]!);
      }
      count = 0;
    },
  };
}
