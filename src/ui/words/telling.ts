import type { ToldEvent } from '../../contracts/view/index.ts';

/** What other programs may be told, for who ticks it. */
export const TOLD_WORDS: Readonly<Record<ToldEvent, string>> = {
  'promotion.approved': 'a promotion is approved',
  'prices.sent': 'prices are sent',
  'terminal.confirmed': 'a terminal has taken them',
  'terminal.refused': 'a terminal has trouble',
};
