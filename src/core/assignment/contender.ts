import type { Automaton } from './automaton.ts';
import type { Unit } from './unit.ts';

/** Who wants units, and what it can do with them. */
export interface Contender<U extends Unit = Unit> {
  /** Contenders of one name are one to whoever asked; ties are broken by names and ranks. */
  readonly name: string;
  readonly rank: number;
  readonly automaton: Automaton<U>;
  /** The automaton reads its units from the highest level down, of equal ones the one of the lower position first. */
  levelOf(unit: U): number;
  /** Equal for units between which it makes no difference at all. */
  kindOf(unit: U): string;
  /** No unit ever brings more than this. */
  mostOf(unit: U): number;
}

/** The order in which a contender reads its units. */
export const byFalling =
  <U extends Unit>(levelOf: (unit: U) => number) =>
  (a: U, b: U): number =>
    levelOf(b) - levelOf(a) || a.position - b.position;
