import {
  type CalendarBar,
  type CalendarLane,
  type LanesBy,
  type Person,
  sees,
  writingOf,
} from '../../contracts/index.ts';
import { itemRulesIn, type PromotionDocument } from '../../core/plan/index.ts';
import { compileItemRule, storesOf } from '../../core/selection/index.ts';
import { namesOf, promotionText } from '../../core/sentence/index.ts';
import { seenOf, seenPromotion } from '../people/index.ts';
import type { CurrentPlan, PlanBook, PromotionStore, StoredPromotion } from '../ports/index.ts';

/** A promotion stands in every lane where it counts; one that counts in all of them stands in the first lane alone. */
export async function lookAtCalendar(
  ports: { book: PlanBook; promotions: PromotionStore },
  person: Person,
  by: LanesBy,
): Promise<CalendarLane[]> {
  const whole = await ports.book.current();
  const current = seenOf(whole, person);
  const names = namesOf(current.document, writingOf(person));
  const seen = current.compiled.plan.stores.map(({ id }) => id).filter((id) => sees(person, id));
  const all = (await ports.promotions.all()).flatMap((stored): StoredPromotion[] => {
    const promotion = seenPromotion(stored.promotion, whole.compiled, person);
    if (!promotion || promotion.status === 'archived') return [];
    const stores = storesOf(promotion.where ?? { all: true }, current.compiled.plan);
    return seen.some((id) => stores.has(id)) ? [{ ...stored, promotion }] : [];
  });
  const bars = new Map(
    all.map((stored) => [
      stored,
      barOf(stored, promotionText(stored.promotion, current.document.currency, names)),
    ]),
  );
  const lanes = by === 'group' ? groupLanes(current, seen) : departmentLanes(current);
  const laid = all.map((stored) => ({ bar: bars.get(stored)!, in: lanes.of(stored.promotion) }));
  const lane = (id: string, name: string, chosen: (ids: readonly string[]) => boolean): CalendarLane => ({
    id,
    name,
    bars: laid.filter((one) => chosen(one.in)).map(({ bar }) => bar),
  });
  return [
    lane('', lanes.everywhere, (ids) => ids.length === lanes.all.length),
    ...lanes.all.map(({ id, name }) =>
      lane(id, name, (ids) => ids.includes(id) && ids.length < lanes.all.length),
    ),
    lane('-', lanes.nowhere, (ids) => ids.length === 0),
  ].filter(({ bars: found, id }) => found.length > 0 || id !== '-');
}

function barOf({ promotion, revision }: StoredPromotion, sentence: string): CalendarBar {
  const { id, name, status, when } = promotion;
  return {
    id,
    name,
    status,
    sentence,
    from: when.from,
    to: when.to ?? null,
    partly: when.repeat !== undefined || when.windows !== undefined,
    revision,
  };
}

interface Lanes {
  readonly everywhere: string;
  readonly nowhere: string;
  readonly all: readonly { readonly id: string; readonly name: string }[];
  /** The ids of the lanes in which a promotion counts. */
  of(promotion: PromotionDocument): readonly string[];
}

function groupLanes({ document, compiled }: CurrentPlan, seen: readonly string[]): Lanes {
  const groups = (document.storeGroups ?? []).map(({ id, name, rule }) => ({
    id,
    name,
    stores: [...storesOf(rule, compiled.plan)].filter((store) => seen.includes(store)),
  }));
  const all = groups.filter(({ stores }) => stores.length > 0);
  return {
    everywhere: 'All store groups',
    nowhere: 'Stores of no group',
    all,
    of({ where }) {
      const stores = storesOf(where ?? { all: true }, compiled.plan);
      return all.filter((group) => group.stores.some((id) => stores.has(id))).map(({ id }) => id);
    },
  };
}

function departmentLanes({ document, compiled }: CurrentPlan): Lanes {
  const all = document.nodes.filter(({ parent }) => parent === undefined);
  const departmentOf = new Map(
    all.flatMap(({ id }) => [...compiled.catalogue.nodesUnder(id)].map((node) => [node, id])),
  );
  return {
    everywhere: 'All departments',
    nowhere: 'No goods yet',
    all,
    of({ offer }) {
      const found = new Set<string>();
      for (const { rule, at } of itemRulesIn(offer)) {
        // What a worksheet was made of is among its goods.
        if (at.includes('worksheet')) continue;
        const selection = compileItemRule(rule, compiled.catalogue, compiled.plan.currency);
        compiled.catalogue.items.forEach((item, index) => {
          const price = item.prices.chain[0]?.price ?? null;
          if (selection.has(index, price)) found.add(departmentOf.get(item.node) ?? '');
        });
      }
      return all.map(({ id }) => id).filter((id) => found.has(id));
    },
  };
}
