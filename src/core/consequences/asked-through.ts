import type { Promotion } from '../plan/index.ts';
import type { CompiledPlan, PriceQuestion } from '../price-book/index.ts';

/** A terminal of a store at which a promotion counts; undefined where it is bound to none, or the store has none such. */
export function terminalFor(
  { plan }: CompiledPlan,
  { terminals }: Pick<Promotion, 'terminals'>,
  store: string,
): string | undefined {
  if (!terminals) return undefined;
  const fits = ({ id, tags = [] }: { id: string; tags?: readonly string[] }) =>
    terminals.some((name) => name === id || tags.includes(name));
  return plan.terminals.find((terminal) => terminal.store === store && fits(terminal))?.id;
}

/** Through what a price is asked so that a promotion counts. */
export const askedThrough = (
  compiled: CompiledPlan,
  promotion: Pick<Promotion, 'terminals' | 'channels'>,
  store: string,
): Pick<PriceQuestion, 'channel' | 'terminal'> => ({
  channel: promotion.channels?.[0],
  terminal: terminalFor(compiled, promotion, store),
});
