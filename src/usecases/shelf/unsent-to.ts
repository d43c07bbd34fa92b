import type { TagsView } from '../../contracts/index.ts';
import type { Instant } from '../../core/calendar/index.ts';
import { isEmpty } from '../../core/price-file/index.ts';
import type { HeldBackStore, PlanBook, SendingStore } from '../ports/index.ts';
import { comparedStore, promotionsIn } from '../send/index.ts';

export interface UnsentPorts {
  readonly book: PlanBook;
  readonly sending: SendingStore;
  readonly heldBack: HeldBackStore;
}

/** Whether the tills of a store would ring something else than its tags say. A part of what asks who may see it. */
export async function unsentTo(ports: UnsentPorts, store: string, now: Instant): Promise<TagsView['unsent']> {
  const current = await ports.book.current();
  const here = await comparedStore(ports, current, store, now);
  if (isEmpty(here.difference) && here.heldBack.length === 0) return null;
  const ids = [...new Set([...promotionsIn([here]), ...here.heldBack])];
  const nameOf = new Map(current.document.promotions.map(({ id, name }) => [id, name]));
  return { promotions: ids.map((id) => nameOf.get(id) ?? id) };
}
