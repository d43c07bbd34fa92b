import type { CompiledChange, CompiledPlan } from './compiled-plan.ts';

/** Numbers of the items that a price change may select, whatever they cost. */
export const numbersOfItems = (change: CompiledChange, { catalogue }: CompiledPlan): number[] => {
  const numbers = change.numbers();
  return numbers ? [...numbers] : catalogue.items.map((_, index) => index);
};
