import { failed, may, type Outcome, type Person } from '../contracts/index.ts';
import type { PromotionStatus } from '../core/plan/index.ts';
import type { PromotionStore } from './plan-store.ts';
import { STATUS_ACTIONS, saved } from './save-promotion.ts';

/** Approves, pauses, archives or withdraws a promotion. */
export async function setPromotionStatus(
  ports: { promotions: PromotionStore },
  person: Person,
  input: { id: string; status: PromotionStatus; revision: number },
): Promise<Outcome<{ revision: number }>> {
  if (!may(person, input.status === 'approved' ? 'approve' : 'plan')) return failed({ kind: 'forbidden' });
  const found = await ports.promotions.find(input.id);
  if (!found) return failed({ kind: 'not-found', what: `promotion ${input.id}` });
  const promotion = { ...found.promotion, status: input.status };
  return saved(
    await ports.promotions.save(promotion, input.revision, {
      person: person.id,
      action: STATUS_ACTIONS[input.status],
    }),
  );
}
