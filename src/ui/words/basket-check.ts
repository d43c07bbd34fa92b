import type { BasketCheckView, CheckMoment } from '../../contracts/view/index.ts';
import { WEEKDAY_NAMES } from '../../core/words/index.ts';
import { saidAmount, saidClock, shortMoment } from '../writing/index.ts';

/** "next Saturday, 10:00", or the moment itself. */
export const checkMomentWords = (moment: CheckMoment, now: string): string =>
  'at' in moment
    ? shortMoment(moment.at, now)
    : `next ${WEEKDAY_NAMES[moment.next]}, ${saidClock(moment.time)}`;

/** "must stay under 30.00", as it was asked for. */
export function wantedWords({ atMost, atLeast }: Pick<BasketCheckView, 'atMost' | 'atLeast'>): string {
  const words = [
    atMost === null ? '' : `must cost at most ${saidAmount(atMost)}`,
    atLeast === null ? '' : `must cost at least ${saidAmount(atLeast)}`,
  ];
  return words.filter(Boolean).join(' and ');
}

/** What came of it: "costs 31.20", or why it could not be told. */
export const resultWords = ({ result }: Pick<BasketCheckView, 'result'>): string =>
  result.total === null || result.problems.length > 0
    ? `cannot be rung as it is: ${result.problems.join('; ')}`
    : `costs ${saidAmount(result.total)}`;
