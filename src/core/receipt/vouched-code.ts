import type { DayNumber } from '../calendar/index.ts';
import { normalCode, normalCodes } from '../codes/index.ts';
import type { Promotion } from '../plan/index.ts';
import { codeKey } from './use-keys.ts';

/** A single-use code that a plan does not list, as whoever made it knows it (pricing rules 4.5). */
export interface BatchCode {
  readonly promotion: string;
  /** By which its one use is counted; it says nothing of the code itself. */
  readonly key: string;
  /** The first and the last day on which it counts, by the calendar of the store; null: as long as its promotion. */
  readonly from: DayNumber | null;
  readonly to: DayNumber | null;
  readonly withdrawn: boolean;
  /** One of the house, to try things with: whatever a receipt gets by it is no use of anything. */
  readonly test: boolean;
}

/** What is known of a code beside the plan. Unchecked: nobody who knows could be asked. Slowed: too many wrong ones came before it. */
export type Vouched = BatchCode | 'unchecked' | 'slowed';

/** By code as it is compared. */
export type VouchedCodes = ReadonlyMap<string, Vouched>;

export const NONE_VOUCHED: VouchedCodes = new Map();

/** Stands for any code of a promotion's batches, where it is looked at what one would bring. */
export const anyCodeOf = ({ id }: Pick<Promotion, 'id'>): string => `any-code-of-${id}`;

/** Every stand-in of these promotions, as good as a code of a batch can be. */
export function standIns(promotions: readonly Promotion[]): VouchedCodes {
  return new Map(
    promotions
      .filter(({ codeBatches }) => codeBatches)
      .map((promotion) => [
        normalCode(anyCodeOf(promotion)),
        {
          ...{ promotion: promotion.id, key: codeKey(anyCodeOf(promotion)), from: null, to: null },
          ...{ withdrawn: false, test: false },
        },
      ]),
  );
}

/** Codes that a plan does not list, where any promotion of it asks for one of a batch: somebody else has to say what they are. */
export function codesToVouch(promotions: readonly Promotion[], codes: readonly string[]): readonly string[] {
  if (codes.length === 0 || !promotions.some(({ codeBatches }) => codeBatches)) return [];
  return codes.filter((code) =>
    promotions.every((promotion) => !normalCodes(promotion.codes).has(normalCode(code))),
  );
}

/** Codes of a promotion that may be held: those that it lists, and one for all of its batches. */
export const codesHeld = (promotion: Promotion): readonly string[] =>
  promotion.codeBatches ? [...promotion.codes, anyCodeOf(promotion)] : promotion.codes;
