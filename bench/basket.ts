import { chain } from '../demo/chain.ts';
import { parseBasket, parsePlan } from '../src/contracts/index.ts';
import { gainsAhead } from '../src/core/assignment/best-run.ts';
import { biggestFirst, noMultipliers } from '../src/core/assignment/incumbent.ts';
import { commonOrder, unrollAll } from '../src/core/assignment/reading-order.ts';
import { type CompiledPlan, compile } from '../src/core/price-book/index.ts';
import { ringBasket, ringingOf } from '../src/core/receipt/index.ts';
import { offersInBasket } from '../src/core/receipt/offers-in-basket.ts';
import { solved } from '../tests/oracle/solver.ts';
import {
  adversarialPlan,
  benchLines,
  benchPlan,
  comboLines,
  comboPlan,
  dice,
  shelfLines,
} from './generated-baskets.ts';
import { share } from './median.ts';

interface Family {
  readonly name: string;
  readonly plans: readonly CompiledPlan[];
  readonly store?: string;
  readonly lines: (run: number) => { sku: string; quantity: number }[];
  readonly baskets: number;
  /** How many of them the solver gets too. */
  readonly solved: number;
}

/** Baskets of several sizes: how many are proved, how long that takes, beside a solver and the one-after-another way. */
export function benchBasket(): string[] {
  return ['baskets, each rung with all that is live:', ...families().flatMap(measure)];
}

function families(): Family[] {
  const some = [10, 30].map((lines): Family => ({ ...family(lines, 50), baskets: 300, solved: 12 }));
  const many = [
    { ...family(30, 200), baskets: 60, solved: 6 },
    { ...family(80, 200), baskets: 8, solved: 2 },
  ];
  const hard: Family = {
    name: '40 units, all in 6 offers',
    plans: [0, 1, 2, 3].map((seed) => compiled(adversarialPlan(seed))),
    lines: () => Array.from({ length: 40 }, (_, i) => ({ sku: `i${i}`, quantity: 1 })),
    baskets: 8,
    solved: 1,
  };
  const combos: Family = {
    name: '32 units, all in 4 combos of four slots',
    plans: Array.from({ length: 6 }, (_, seed) => compiled(comboPlan(seed))),
    lines: comboLines(32, dice(32)),
    baskets: 60,
    solved: 1,
  };
  return [...ordinary(), ...some, ...many, hard, combos];
}

/** The demo chain with 200 live deals over its shelves, price changes beside them, and baskets out of some shelves. */
function ordinary(): Family[] {
  const size = { stores: 12, zones: 4, terminals: 12, items: 4_000, priceChanges: 60, deals: 200 };
  const document = chain(size, '2027-03-01');
  const plan = compiled(document);
  const shelves = new Map<string, string[]>();
  for (const { node, sku, unit, prices } of document.items)
    if (!unit && prices.length > 0) shelves.set(node, [...(shelves.get(node) ?? []), sku]);
  return [10, 30, 80].map((lines) => {
    const roll = dice(5 + lines);
    return {
      name: `${lines} lines of the demo chain, 200 deals`,
      plans: [plan],
      store: 's001',
      lines: () => shelfLines(lines, [...shelves.values()], roll),
      baskets: lines === 80 ? 60 : 200,
      solved: lines === 80 ? 4 : 12,
    };
  });
}

function family(lines: number, offers: number): Omit<Family, 'baskets' | 'solved'> {
  const roll = dice(7 + lines);
  return {
    name: `${lines} lines, crowded: an item stands in about ${Math.round(offers / 28)} of ${offers} offers`,
    plans: [compiled(benchPlan(offers, 3))],
    lines: () => benchLines(lines, roll),
  };
}

function compiled(plan: unknown): CompiledPlan {
  const parsed = parsePlan(plan);
  if (!parsed.ok) throw new Error(`the plan of the bench has faults: ${JSON.stringify(parsed.faults[0])}`);
  return compile(parsed.plan);
}

/** Baskets of each family that are rung before any is measured. */
const WARM_UP = 60;

function measure({ name, plans, store = 'shop', lines, baskets, solved: asked }: Family): string[] {
  const times: number[] = [];
  let proved = 0;
  let gap = 0;
  let lost = 0;
  let saved = 0;
  let worse = 0;
  let ours = 0;
  let theirs = 0;
  const made = (run: number) => {
    const plan = plans[run % plans.length]!;
    const parsed = parseBasket({ store, at: '2027-03-01T12:00', lines: lines(run) }, plan);
    if (!parsed.ok) throw new Error('a basket of the bench has faults');
    return { plan, basket: parsed.basket };
  };
  // A till rings all day long: the first baskets of a process, while it is still being compiled, do not count.
  for (let run = 0; run < Math.min(WARM_UP, baskets / 2); run++) {
    const { plan, basket } = made(run);
    ringBasket(plan, basket);
  }
  for (let run = 0; run < baskets; run++) {
    const { plan, basket } = made(run);
    const begun = performance.now();
    const receipt = ringBasket(plan, basket);
    const took = performance.now() - begun;
    times.push(took);
    if (receipt.proved) proved += 1;
    else gap = Math.max(gap, receipt.bound / Math.max(1, receipt.saving));
    const inTurn = oneAfterAnother(plan, basket);
    // Rewards of the basket come after either way.
    const byOffers = receipt.applications.reduce((sum, { saving }) => sum + saving, 0);
    saved += byOffers;
    lost += Math.max(0, byOffers - inTurn);
    if (byOffers > inTurn) worse += 1;
    if (run >= asked || !receipt.proved) continue;
    const { ringing } = ringingOf(plan, basket);
    const offers = offersInBasket(ringing.live, ringing.units, ringing.goods);
    const started = performance.now();
    solved(offers);
    theirs += performance.now() - started;
    ours += took;
  }
  times.sort((a, b) => a - b);
  const ms = (of: number) => share(times, of).toFixed(1);
  const total = times.reduce((sum, time) => sum + time, 0);
  return [
    `  ${name}`,
    `    proved ${proved} of ${baskets}${proved < baskets ? `, the widest gap ${(gap * 100).toFixed(1)} %` : ''}; p50 ${ms(0.5)} ms, p99 ${ms(0.99)}, max ${times.at(-1)!.toFixed(1)}; ${((baskets / total) * 1_000).toFixed(0)} receipts/s on one core`,
    ours > 0 ? `    a mixed-integer solver on the same: ${(theirs / ours).toFixed(1)} times as long` : '',
    `    biggest saving first: worse on ${worse} of ${baskets}, by ${((lost / Math.max(1, saved)) * 100).toFixed(2)} % of all savings`,
  ].filter(Boolean);
}

/** The usual way: again and again the offer that saves most on what is left. */
function oneAfterAnother(plan: CompiledPlan, basket: Parameters<typeof ringBasket>[1]): number {
  const { ringing } = ringingOf(plan, basket);
  const offers = offersInBasket(ringing.live, ringing.units, ringing.goods);
  if (offers.length === 0) return 0;
  const order = commonOrder(offers);
  const { layered } = unrollAll(offers, order, () => true);
  const useful = layered.filter((one) => gainsAhead(one, noMultipliers(order))[0]! > 0);
  return biggestFirst(useful, order).saving;
}
