import type { Contender } from './contender.ts';
import { together } from './together.ts';

/** Contenders that share units, directly or through others, belong together; the rest do not concern each other. */
export function componentsOf(contenders: readonly Contender[]): Contender[][] {
  const wants = contenders.map(({ automaton }) => automaton.members.map(({ position }) => position));
  return together(wants).map((group) => group.map((i) => contenders[i]!));
}
