import type { BrokenRule } from '../../core/house-rules/index.ts';
import { WEEKDAY_NAMES } from '../../core/words/index.ts';
import type { StandingEffect } from './order.ts';

export type { BrokenRule, HouseRules, ShutDay } from '../../core/house-rules/index.ts';

const daysText = (days: number): string => (days === 1 ? 'one day' : `${days} days`);

/** What is against a rule of the house, and what would be right. */
export function brokenRuleWords(broken: BrokenRule): { readonly what: string; readonly wanted: string } {
  switch (broken.rule) {
    case 'ends-on':
      return {
        what: `it ends on a ${WEEKDAY_NAMES[broken.day]}`,
        wanted: `an end on another day: a rule of the house is that nothing ends on a ${WEEKDAY_NAMES[broken.day]}`,
      };
    case 'no-end':
      return {
        what: 'it has no end',
        wanted: `an end within ${daysText(broken.most)}, as the rules of the house have it`,
      };
    case 'lasts':
      return {
        what: `it lasts ${daysText(broken.days)}`,
        wanted: `at most ${daysText(broken.most)}, as the rules of the house have it`,
      };
  }
}

/** The chain as its settings show it. */
export interface ChainView {
  readonly name: string;
  /** ISO 4217; it stays, as every amount is one of it. */
  readonly currency: string;
  readonly priceChanges: 'priority' | 'lowest';
  readonly baskets: 'best' | 'priority';
  /** Basis points of the price; null: none. */
  readonly marginFloor: number | null;
  readonly planVersion: number;
}

/** What other settings of the chain would do, or have done. */
export interface ChainChanged extends ChainView {
  /** Null: it was saved, or changes no price. */
  readonly effect: Pick<StandingEffect, 'prices' | 'baskets'> | null;
}
