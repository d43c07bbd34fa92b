import type { Limit } from '../../assignment/index.ts';
import type { MinorUnits } from '../../money/index.ts';
import { percentOf } from '../../money/index.ts';
import type { OfferAutomaton } from '../room/offer-automaton.ts';
import { partsAutomaton } from '../room/parts-automaton.ts';
import type { StartingPrice, Unit } from '../room/unit.ts';
import type { Combo } from './combo.ts';

/**
 * Pricing rules 4.1, combo. Roles are the numbers of its slots.
 * @param fits whether a unit is among the goods of a slot.
 * @param skuOf an item's SKU, by which extras are named.
 */
export function comboAutomaton(
  number: number,
  offer: Combo,
  members: readonly Unit[],
  start: StartingPrice,
  limit: Limit,
  fits: readonly ((unit: Unit) => boolean)[],
  skuOf: (item: number) => string,
): OfferAutomaton {
  const extraOf = (unit: Unit) => offer.extra.get(skuOf(unit.item)) ?? 0;
  return partsAutomaton(
    number,
    {
      parts: offer.slots.map(({ quantity, each }, i) => ({
        quantity,
        fits: fits[i]!,
        gain: (unit) => unit.tag - counted(offer, unit, start, each, extraOf(unit)),
      })),
      whole: offer.value?.kind === 'total' ? -offer.value.amount : 0,
    },
    members,
    limit,
  );
}

/** What a unit is counted with before the total of the combo. */
function counted(
  { value }: Combo,
  unit: Unit,
  start: StartingPrice,
  each: MinorUnits | null,
  extra: number,
): number {
  if (value === null) return Math.min(start(unit), each! + extra);
  return value.kind === 'total' ? extra : start(unit) - percentOf(start(unit), value.percent);
}
