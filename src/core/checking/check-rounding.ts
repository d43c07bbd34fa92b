import { oneMajorUnit, parseAmount } from '../money/index.ts';
import type { RoundingDocument } from '../plan/index.ts';
import type { CheckContext } from './check-context.ts';
import type { Fault } from './fault.ts';

/** A step above zero; endings below `per`, which must be given where the currency has no minor units. */
export function checkRounding(rounding: RoundingDocument, path: Fault['path'], context: CheckContext): void {
  if ('step' in rounding) {
    context.amount(rounding.step, [...path, 'step'], 0);
    return;
  }
  context.amount(rounding.per, [...path, 'per'], 0);
  if (rounding.per === undefined && context.currency.exponent === 0) {
    context.fault([...path, 'per'], `${context.currency.code} has no minor units`, 'a `per` such as "100"');
    return;
  }
  const per =
    rounding.per === undefined ? oneMajorUnit(context.currency) : parseAmount(rounding.per, context.currency);
  rounding.endings.forEach((ending, i) => {
    context.amount(ending, [...path, 'endings', i]);
    const amount = parseAmount(ending, context.currency);
    if (amount !== null && per !== null && amount >= per) {
      context.fault(
        [...path, 'endings', i],
        `"${ending}" is not below ${rounding.per ?? 'one major unit'}`,
        'an ending below `per`',
      );
    }
  });
}
