import type { PlanDocument, PromotionDocument } from '../plan/index.ts';
import { keptInStore } from './content.ts';

/**
 * A store's plan in which some promotions stay as its terminals have them: what is new among them is left out, what
 * changed stays as it was sent, what was taken back goes on. What only those name comes along from the file that was
 * sent.
 * @param sent the plan of the file that the store was sent last; null: it was sent none.
 */
export function withHeldBack(
  plan: PlanDocument,
  sent: PlanDocument | null,
  held: ReadonlySet<string>,
): PlanDocument {
  const before = new Map(
    (sent?.promotions ?? []).filter(({ id }) => held.has(id)).map((promotion) => [promotion.id, promotion]),
  );
  const now = new Set(plan.promotions.map(({ id }) => id));
  const stays = (promotion: PromotionDocument) =>
    held.has(promotion.id) ? (before.get(promotion.id) ?? []) : promotion;
  const goesOn = [...before.values()].filter(({ id }) => !now.has(id));
  const skus = new Set(plan.items.map(({ sku }) => sku));
  const promotions = keptInStore([...plan.promotions.flatMap(stays), ...goesOn], skus);
  if (!sent) return { ...plan, promotions };
  const named = namedBy([...before.values()], sent);
  const along = <T extends { id: string }>(mine: T[] | undefined, theirs: T[] | undefined) => {
    const known = new Set(mine?.map(({ id }) => id));
    const more = (theirs ?? []).filter(({ id }) => named.has(id) && !known.has(id));
    return more.length === 0 ? mine : [...(mine ?? []), ...more];
  };
  return dropAbsent({
    ...plan,
    nodes: along(plan.nodes, sent.nodes)!,
    itemSets: along(plan.itemSets, sent.itemSets),
    shopperGroups: along(plan.shopperGroups, sent.shopperGroups),
    priceLists: along(plan.priceLists, sent.priceLists),
    shoppers: along(plan.shoppers, sent.shoppers),
    promotions,
  });
}

/** Every id that promotions name, and what those name in turn: a set its groups of goods, a group its parent. */
function namedBy(promotions: readonly PromotionDocument[], sent: PlanDocument): ReadonlySet<string> {
  const named = new Set<string>();
  const parts = [sent.nodes, sent.itemSets, sent.shopperGroups, sent.priceLists, sent.shoppers];
  const things = new Map<string, unknown[]>();
  for (const { id, ...thing } of parts.flatMap((part): { id: string }[] => part ?? []))
    things.set(id, [...(things.get(id) ?? []), thing]);
  const open: unknown[] = [...promotions];
  while (open.length > 0) {
    for (const text of textsIn(open.pop())) {
      if (!named.has(text)) open.push(...(things.get(text) ?? []));
      named.add(text);
    }
  }
  return named;
}

function textsIn(value: unknown): string[] {
  if (typeof value === 'string') return [value];
  return value && typeof value === 'object' ? Object.values(value).flatMap(textsIn) : [];
}

/** What stands in no plan is left out of the digest too. */
const dropAbsent = (plan: PlanDocument): PlanDocument =>
  Object.fromEntries(
    Object.entries(plan).filter(([, part]) => part !== undefined),
  ) as unknown as PlanDocument;
