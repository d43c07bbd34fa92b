import type { ShutView } from '../../contracts/index.ts';
import { shutHours } from '../../core/consequences/index.ts';
import type { Promotion } from '../../core/plan/index.ts';
import type { CompiledPlan } from '../../core/price-book/index.ts';

/** Hours of a draft at which stores of it are shut. */
export const shutView = (compiled: CompiledPlan, draft: Promotion): ShutView[] =>
  shutHours(compiled, draft).map(({ what, stores }) => ({
    what,
    stores: stores.length,
    example: compiled.stores.get(stores[0]!)!.name,
  }));
