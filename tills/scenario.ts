import type { DiskTrouble } from './troubled-disk.ts';

/** What becomes of one till in a scenario. */
export interface TillTrouble {
  readonly on: boolean;
  /** Milliseconds before each talk with the server. */
  readonly delay: number;
  /** Minutes that its clock is off. */
  readonly clockOff: number;
  readonly disk: DiskTrouble;
  /** Speaks as the first version of the program did: whole files, one key, nothing vouched for. */
  readonly old: boolean;
}

const NO_TROUBLE: TillTrouble = { on: true, delay: 0, clockOff: 0, disk: 'none', old: false };

export interface Scenario {
  readonly name: string;
  readonly words: string;
  /** @param nth of the tills, in the order in which they are enrolled. */
  readonly troubleOf: (nth: number) => TillTrouble;
}

const every = (nth: number, of: number, at: number): boolean => nth % of === at % of;

/** What can befall a chain, made to happen to all its tills at once, the same each time. */
export const SCENARIOS: readonly Scenario[] = [
  { name: 'calm', words: 'Everything is as it should be', troubleOf: () => NO_TROUBLE },
  {
    name: 'saturday',
    words:
      'Saturday morning: a tenth of the tills are off, a tenth are slow, some clocks are wrong, a disk is full',
    troubleOf: (nth) => ({
      ...NO_TROUBLE,
      on: !every(nth, 10, 3),
      delay: every(nth, 10, 6) ? 3_000 : 0,
      clockOff: every(nth, 40, 17) ? 7 : every(nth, 40, 29) ? -90 : 0,
      disk: every(nth, 50, 11) ? 'full' : 'none',
    }),
  },
  {
    name: 'storm',
    words: 'A storm: the power goes in every fifth till the next time that it writes a price file',
    troubleOf: (nth) => ({ ...NO_TROUBLE, disk: every(nth, 5, 2) ? 'power-cut' : 'none' }),
  },
  {
    name: 'upgrade',
    words: 'In the middle of an upgrade: every third till still runs the first version of its program',
    troubleOf: (nth) => ({ ...NO_TROUBLE, old: every(nth, 3, 1) }),
  },
  {
    name: 'night',
    words: 'Night: all tills are off',
    troubleOf: () => ({ ...NO_TROUBLE, on: false }),
  },
];

export const scenarioOf = (name: string): Scenario | null =>
  SCENARIOS.find((scenario) => scenario.name === name) ?? null;
