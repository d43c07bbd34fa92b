import type { Unit } from '../unit.ts';
import { forcedRun } from './forced-run.ts';
import { type Ending, type OfferMachine, taking } from './machine.ts';
import type { OfferInBasket } from './offer-in-basket.ts';

/**
 * The same offer as a machine that does not mind in which order it reads: it remembers what it took and says only at
 * the end what that brings. For offers that start from the base among others that start from the tag, where the two
 * orders of prices disagree. Units of one kind and price are the same to it.
 */
export function rememberingMachine(offer: OfferInBasket): OfferMachine {
  const { machine, kindOf } = offer;
  const classes = [...new Set(machine.members.map((unit) => classOf(unit, kindOf)))];
  const examples = classes.map((name) => machine.members.filter((unit) => classOf(unit, kindOf) === name));
  const none = classes.map(() => 0);
  const known = new Map<string, number>([[none.join(), 0]]);
  const states: number[][] = [none];
  const endings = new Map<number, Ending | null>();
  return {
    offer: machine.offer,
    members: machine.members,
    ordered: false,
    start: 0,
    takings(state, unit) {
      const at = classes.indexOf(classOf(unit, kindOf));
      const counts = states[state]!.with(at, states[state]![at]! + 1);
      const key = counts.join();
      let to = known.get(key);
      if (to === undefined) {
        to = states.length;
        known.set(key, to);
        states.push(counts);
      }
      return [taking(to, 0, 0)];
    },
    accepts(state) {
      let ending = endings.get(state);
      if (ending === undefined) {
        const used = states[state]!.flatMap((count, i) => examples[i]!.slice(0, count));
        ending = forcedRun(offer, used);
        endings.set(state, ending);
      }
      return ending;
    },
  };
}

const classOf = (unit: Unit, kindOf: OfferInBasket['kindOf']): string =>
  `${kindOf(unit)} ${unit.tag} ${unit.base}`;
