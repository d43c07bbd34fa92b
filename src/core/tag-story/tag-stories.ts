import { dayOf, type Instant, midnight } from '../calendar/index.ts';
import { amounts, type CompiledPlan } from '../price-book/index.ts';
import { alikeStores } from './alike-stores.ts';
import { type Footing, footingOf } from './footing.ts';
import type { StoriesAsked } from './place.ts';
import { rowOver } from './row.ts';
import { stepLog } from './step-log.ts';
import type { TagStory } from './story.ts';

/** How tag prices go in some stores that are alike. */
export interface StoryOfStores {
  readonly stores: readonly string[];
  /** 1 for each change of the story that counts there. */
  readonly counting: Uint8Array;
  readonly story: TagStory;
}

/**
 * How the tag prices of goods go over a span in all stores of a place, told once for stores in which the same changes
 * count: the exact steps that `timelines` tells item by item. It goes from moment to moment, and looks only at what
 * begins or ends there. No price of a store's own is looked at.
 */
export function* tagStories(compiled: CompiledPlan, asked: StoriesAsked): Generator<StoryOfStores> {
  const { span, place, changes, goods } = asked;
  const moments = momentsOf(compiled, asked);
  const row = rowOver(compiled, changes, goods.length);
  for (const { stores, counting } of alikeStores(place.stores, changes, asked.countsAt)) {
    const log = stepLog(goods.length);
    const here = (numbers: readonly number[]) => numbers.filter((number) => counting[number] === 1);
    row.clear();
    for (const { at, ends, begins, footing } of moments) {
      if (footing) row.standOn(footing);
      const [ended, begun] = [here(ends), here(begins)];
      if (ended.length > 0) row.end(ended);
      if (begun.length > 0) row.begin(begun);
      row.note(at, log);
    }
    const like = amounts(0, compiled.grounds.wide);
    yield { stores, counting, story: log.told({ goods, end: span.to, changes, like }) };
  }
}

interface Moment {
  readonly at: Instant;
  readonly ends: readonly number[];
  readonly begins: readonly number[];
  /** What prices stand on from now on; null: what they stood on. */
  readonly footing: Footing | null;
}

/** All moments at which a tag price of the place may change, the start of the span first. */
function momentsOf(compiled: CompiledPlan, asked: StoriesAsked): Moment[] {
  const { span, place, changes } = asked;
  const byTime = new Map<number, { ends: number[]; begins: number[] }>();
  const at = (moment: number) => {
    const found = byTime.get(moment) ?? { ends: [], begins: [] };
    byTime.set(moment, found);
    return found;
  };
  at(span.from);
  changes.forEach((change, number) => {
    for (const { from, to } of asked.spansOf(change)) {
      if (to <= span.from || from >= span.to) continue;
      at(Math.max(from, span.from)).begins.push(number);
      if (to < span.to) at(to).ends.push(number);
    }
  });
  const clock = compiled.clockOf(place.store);
  const turns = new Set<number>([span.from]);
  for (const day of compiled.grounds.turns) {
    const turn = clock.toInstant(midnight(day));
    if (span.from < turn && turn < span.to) turns.add(turn);
  }
  for (const turn of turns) at(turn);
  return [...byTime]
    .sort(([a], [b]) => a - b)
    .map(([time, { ends, begins }]) => ({
      at: time as Instant,
      // What ends and begins again at one moment goes on.
      ends: ends.filter((number) => !begins.includes(number)),
      begins: begins.filter((number) => !ends.includes(number)),
      footing: turns.has(time) ? footingAt(compiled, asked, time as Instant) : null,
    }));
}

function footingAt(compiled: CompiledPlan, asked: StoriesAsked, at: Instant): Footing {
  const { place, shopper, changes, goods } = asked;
  const day = dayOf(compiled.clockOf(place.store).toWall(at));
  const ground = compiled.grounds.at({ ...place.store, id: '' }, day, compiled.listsOf(shopper));
  return footingOf(compiled, place, changes, ground, goods);
}
