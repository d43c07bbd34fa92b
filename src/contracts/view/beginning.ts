/** What a chain needs before the first price can be sent, in the order in which it is done. */
export const BEGINNING_STEPS = [
  'zones',
  'stores',
  'groups',
  'goods',
  'people',
  'terminals',
  'keys',
  'sent',
] as const;

export interface BeginningStep {
  readonly step: (typeof BEGINNING_STEPS)[number];
  /** How much of it there is. */
  readonly count: number;
  readonly done: boolean;
  /** Whether the first price can be sent without it. */
  readonly optional: boolean;
}
