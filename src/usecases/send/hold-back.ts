import { done, failed, may, type Outcome, type Person } from '../../contracts/index.ts';
import type { HeldBackStore, PromotionStore } from '../ports/index.ts';

/** Holds a promotion back from what is sent, or lets it go again. One that is gone from the plan can be let go. */
export async function holdBack(
  ports: { promotions: PromotionStore; heldBack: HeldBackStore },
  person: Person,
  { promotion, held }: { promotion: string; held: boolean },
): Promise<Outcome<{ held: boolean }>> {
  if (!may(person, 'send')) return failed({ kind: 'forbidden' });
  const isHeld = (await ports.heldBack.all()).some((one) => one.promotion === promotion);
  if (!isHeld && !(await ports.promotions.find(promotion)))
    return failed({ kind: 'not-found', what: `promotion ${promotion}` });
  if (held && !isHeld) await ports.heldBack.hold(promotion, person.id);
  if (!held && isHeld) await ports.heldBack.letGo(promotion, person.id);
  return done({ held });
}
