import { costUnder } from '../consequences/index.ts';
import { dealStep, fittingBasket, type SampleBasket } from '../deal-consequences/index.ts';
import type { CompiledOffer, CompiledPlan } from '../price-book/index.ts';
import { isUnitOffer, judgedRoom } from '../receipt/index.ts';
import type { Finding } from './finding.ts';
import { type Gathered, gather, gathered, lastOf, told } from './gathered.ts';
import type { Scene, Tagged } from './scenes.ts';
import type { Scope } from './scope.ts';
import { type MarginCode, shortfall } from './thin-margin.ts';

/**
 * `below-cost` and `below-floor` of a deal: what an application of it leaves for its units together, with the goods by
 * which it earns least. A unit that is free beside others that are paid for is no fault by itself.
 */
export function thinDeal(scope: Scope, deal: CompiledOffer, scenes: readonly Scene[]): Finding[] {
  const { promotion } = deal;
  if (!isUnitOffer(promotion.offer)) return [];
  const { compiled } = scope;
  const { marginFloor } = compiled.plan.policy;
  const alone: CompiledPlan = { ...compiled, offers: [deal] };
  const found = new Map<MarginCode, Gathered>();
  const rung = new Map<string, Shortfall | null>();
  for (const scene of scenes)
    for (const sample of worstBaskets(scope, deal, scene)) {
      // Where its goods have the same tags it comes to the same.
      const key = JSON.stringify([sample.lines, tagsOf(sample, scene), scene.shopper]);
      const short = rung.has(key) ? rung.get(key)! : shortOf(alone, deal, sample, scene, marginFloor);
      rung.set(key, short);
      if (!short) continue;
      const into = found.get(short.code) ?? gathered();
      found.set(short.code, into);
      const items = sample.lines.map(({ sku }) => compiled.catalogue.indexOf.get(sku)!);
      gather(into, items, scene.stores, scene.spans, short.amount);
    }
  return [...found].flatMap(([code, into]) =>
    told(compiled, into, {
      code,
      promotions: [promotion.id],
      open: promotion.when.to === null && lastOf(into) >= scope.span.to,
    }),
  );
}

type Shortfall = { readonly code: MarginCode; readonly amount: number };

/** What an application leaves too little of, for each of its units. */
function shortOf(
  alone: CompiledPlan,
  { promotion }: CompiledOffer,
  sample: SampleBasket,
  scene: Scene,
  floor: number | null,
): Shortfall | null {
  const circumstances = fittingBasket(alone, promotion, alone.stores.get(scene.store)!, scene.at);
  const { after, cost, before } = dealStep(alone, promotion, circumstances, sample);
  if (cost === null || after >= before) return null;
  const short = shortfall(after, cost, floor);
  const units = sample.lines.reduce((sum, { quantity }) => sum + quantity, 0);
  return short && { ...short, amount: Math.ceil(short.amount / units) };
}

const tagsOf = ({ lines }: SampleBasket, { parts }: Scene): number[] =>
  lines.map(({ sku }) => parts.flatMap((goods) => goods.find((good) => good.sku === sku)?.tag ?? [])[0] ?? 0);

/** By what the goods of a part are told to earn least: in money, by their price, or because they cost so much. */
const MEASURES: readonly ((tag: number, cost: number) => number)[] = [
  (tag, cost) => tag - cost,
  (tag, cost) => (tag - cost) / Math.max(1, tag),
  (_, cost) => -cost,
];

function worstBaskets({ compiled }: Scope, { promotion }: CompiledOffer, { parts }: Scene): SampleBasket[] {
  const trial = judgedRoom(promotion.offer).trials(promotion.offer);
  if (trial.of === 'money') return [];
  const counts = trial.of === 'parts' ? [trial.counts] : trial.counts.map((count) => [count]);
  const costOf = ({ index }: Tagged) => costUnder(promotion.supplier, compiled.catalogue.items[index]!);
  const baskets = MEASURES.flatMap((measure) => {
    const worst = parts.map((goods) => {
      const known = goods.filter((good) => costOf(good) !== null);
      const least = Math.min(...known.map((good) => measure(good.tag, costOf(good)!)));
      return known.find((good) => measure(good.tag, costOf(good)!) === least);
    });
    if (worst.some((good) => good === undefined)) return [];
    return counts.map(
      (of): SampleBasket => ({
        pick: 'cheapest',
        lines: of.map((quantity, part) => ({ sku: worst[part]!.sku, quantity })),
      }),
    );
  });
  return [...new Map(baskets.map((basket) => [JSON.stringify(basket.lines), basket])).values()];
}
