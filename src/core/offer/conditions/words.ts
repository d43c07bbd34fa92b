import type { ConditionsDocument } from '../../plan/index.ts';
import { moneyWords } from '../../words/index.ts';
import { decimalWords, type Writing } from '../../writing/index.ts';

/** The conditions of a reward, "paid by card, in a basket from 2 kg on"; an empty string where there are none. */
export function conditionWords(
  conditions: ConditionsDocument | undefined,
  currency: string,
  writing: Writing,
): string {
  if (!conditions) return '';
  const { payments, deliveries, regions, postcodes, linkTags, minWeight, maxWeight } = conditions;
  const { minPastOrders, maxPastOrders, minLifetimeSpend } = conditions;
  const either = (words: string, list: readonly string[] | undefined) =>
    list?.length ? `${words} ${list.join(' or ')}` : '';
  return [
    either('paid by', payments),
    either('delivered by', deliveries),
    either('to', regions),
    either('to postcodes from', postcodes),
    either('come by the link', linkTags),
    minWeight === undefined ? '' : `from ${decimalWords(String(minWeight), writing)} kg on`,
    maxWeight === undefined ? '' : `up to ${decimalWords(String(maxWeight), writing)} kg`,
    maxPastOrders === 0 ? 'on the first purchase' : '',
    minPastOrders === undefined ? '' : `after ${orders(minPastOrders)}`,
    maxPastOrders === undefined || maxPastOrders === 0 ? '' : `after at most ${orders(maxPastOrders)}`,
    minLifetimeSpend === undefined
      ? ''
      : `having spent ${moneyWords(minLifetimeSpend, currency, writing)} before`,
  ]
    .filter((part) => part !== '')
    .join(', ');
}

const orders = (count: number): string => (count === 1 ? '1 order' : `${count} orders`);
