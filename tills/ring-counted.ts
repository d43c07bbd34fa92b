import type { WantedUse } from '../src/core/receipt/index.ts';
import type { CountedUses } from './counted-uses.ts';
import type { BasketAnswer } from './ring-basket.ts';

/** Each round finds at least one more limit used up; nobody waits for more than this. */
const ROUNDS = 8;

/**
 * Rings a basket with the uses of all tills: what its receipt would use is kept for it, and where something is used up it
 * is rung once more without that.
 * @param ring rings it with uses so far, by key.
 */
export async function ringCounted(
  basket: string,
  ring: (usesSoFar: Readonly<Record<string, number>>) => BasketAnswer | null,
  uses: CountedUses,
): Promise<BasketAnswer | null> {
  let usedUp: Record<string, number> = {};
  let counted = true;
  for (let round = 1; ; round++) {
    const answer = ring(usedUp);
    if (!answer?.ok) return answer;
    const { wanted, shopper, cutOff } = answer.rung;
    const allowed = await uses.ask(basket, { uses: wanted, shopper }, (promotion) => cutOff[promotion] ?? 0);
    counted &&= allowed.counted;
    const refused = wanted.filter(({ key }) => key in allowed.usedUp);
    if (refused.length === 0) return { ...answer, basket, counted };
    usedUp = { ...usedUp, ...(round < ROUNDS ? known(refused, allowed.usedUp) : spent(wanted)) };
  }
}

/** Of units some may be left; a limit of uses that is reached counts as that, whatever is told of it. */
const known = (uses: readonly WantedUse[], usedUp: Readonly<Record<string, number>>) =>
  Object.fromEntries(
    uses.map(({ key, most, units }) => [
      key,
      units === undefined ? Math.max(most, usedUp[key]!) : usedUp[key]!,
    ]),
  );

const spent = (uses: readonly WantedUse[]) => Object.fromEntries(uses.map(({ key, most }) => [key, most]));
