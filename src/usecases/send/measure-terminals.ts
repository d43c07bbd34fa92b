import { TERMINAL_TROUBLES, type TerminalTrouble } from '../../contracts/index.ts';
import type { SendingStore } from '../ports/index.ts';
import { troubleOf } from './terminal-trouble.ts';

export interface TerminalMeasures {
  /** How many there are of each state, also of those of which there is none. */
  readonly states: Readonly<Record<TerminalTrouble | 'up-to-date', number>>;
  /** Seconds since the store of the one that has lacked its file longest was sent it; 0: none lacks any. */
  readonly behindSeconds: number;
  /** Seconds for which the oldest file has been held; 0: none holds any. */
  readonly heldSeconds: number;
}

/** How all terminals stand, for a program that watches. */
export async function measureTerminals(
  sending: Pick<SendingStore, 'terminals' | 'newestDates'>,
  now: number,
): Promise<TerminalMeasures> {
  const terminals = await sending.terminals();
  const sent = await sending.newestDates();
  const states = { 'up-to-date': 0 } as Record<TerminalTrouble | 'up-to-date', number>;
  for (const trouble of TERMINAL_TROUBLES) states[trouble] = 0;
  for (const status of terminals) states[troubleOf(status, now) ?? 'up-to-date'] += 1;
  const behind = terminals.filter(({ holds, wanted }) => wanted !== null && holds !== wanted);
  return {
    states,
    behindSeconds: oldest(
      behind.map(({ store }) => sent.get(store) ?? null),
      now,
    ),
    heldSeconds: oldest(
      terminals.map(({ heldSince }) => heldSince),
      now,
    ),
  };
}

const oldest = (instants: readonly (string | null)[], now: number): number =>
  instants.reduce(
    (most, instant) =>
      instant === null ? most : Math.max(most, Math.round((now - Date.parse(instant)) / 1000)),
    0,
  );
