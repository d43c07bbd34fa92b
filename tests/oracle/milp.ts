import { byFalling } from '../../src/core/assignment/contender.ts';
import { SKIP } from '../../src/core/assignment/layered-graph.ts';
import { unroll } from '../../src/core/assignment/unroll.ts';
import type { OfferInBasket } from '../../src/core/offer/index.ts';

/**
 * The choice of applications as a mixed-integer program in LP format, for a solver that knows nothing of our search:
 * each offer is a flow through its automaton, read in its own order, and each unit is taken at most once.
 */
export function milpOf(offers: readonly OfferInBasket[]): string {
  const objective: string[] = [];
  const rows: string[] = [];
  const binaries: string[] = [];
  const takers = new Map<number, string[]>();
  for (const { automaton, levelOf } of offers) {
    const units = automaton.members.toSorted(byFalling(levelOf));
    const one = unroll(automaton, units, levelOf, Number.POSITIVE_INFINITY)!;
    const { offset, from, to, role, gain } = one;
    const into = new Map<number, string[]>();
    one.units.forEach((unit, l) => {
      for (let s = offset[l]!; s < offset[l + 1]!; s++) {
        const out: string[] = [];
        for (let a = from[s]!; a < from[s + 1]!; a++) {
          const name = `x${automaton.contender}_${l}_${a}`;
          binaries.push(name);
          out.push(name);
          if (gain[a] !== 0) objective.push(`${gain[a]! > 0 ? '+' : '-'} ${Math.abs(gain[a]!)} ${name}`);
          into.set(to[a]!, [...(into.get(to[a]!) ?? []), name]);
          if (role[a] !== SKIP) takers.set(unit.position, [...(takers.get(unit.position) ?? []), name]);
        }
        const arriving = l === 0 ? [] : (into.get(s) ?? []);
        rows.push(
          l === 0
            ? `${out.join(' + ')} = 1`
            : `${out.join(' + ')} ${arriving.map((name) => `- ${name}`).join(' ')} = 0`,
        );
      }
    });
  }
  for (const names of takers.values()) rows.push(`${names.join(' + ')} <= 1`);
  return [
    'Maximize',
    ` obj: ${objective.join(' ')}`,
    'Subject To',
    ...rows.map((row, i) => ` c${i}: ${row}`),
    'Binary',
    ` ${binaries.join(' ')}`,
    'End',
  ].join('\n');
}
