import type { Person, Role } from '../../src/contracts/index.ts';
import type { PlanDocument, PromotionDocument } from '../../src/core/plan/index.ts';
import type {
  CurrentPlan,
  PlanBook,
  PromotionStore,
  SendingStore,
  StoredPromotion,
} from '../../src/usecases/index.ts';
import { compiled } from './small-plan.ts';

export const person = (role: Role, stores: string[] | null = null): Person => ({
  id: role,
  name: role,
  email: `${role}@x.example`,
  role,
  stores,
});

/** Ports in memory: a plan whose promotions can be saved, with nothing else behind it. */
export function inMemory(document: PlanDocument): {
  book: PlanBook;
  promotions: PromotionStore;
  saved: StoredPromotion[];
  actions: string[];
} {
  let current: CurrentPlan = { version: 1, document, compiled: compiled(document) };
  const saved: StoredPromotion[] = document.promotions.map((promotion) => stored(promotion, 1));
  const actions: string[] = [];
  const find = (id: string) => saved.find(({ promotion }) => promotion.id === id) ?? null;
  return {
    saved,
    actions,
    book: { current: async () => current },
    promotions: {
      find: async (id) => find(id),
      all: async () => saved,
      history: async () => [],
      async save(promotion, revision, change) {
        const before = find(promotion.id);
        if ((before?.revision ?? null) !== revision) return { kind: 'stale', current: before };
        if (before) saved.splice(saved.indexOf(before), 1);
        saved.push(stored(promotion, (revision ?? 0) + 1));
        actions.push(change.action);
        const promotions = saved.map((one) => one.promotion);
        const next = { ...current.document, promotions };
        current = { version: current.version + 1, document: next, compiled: compiled(next) };
        return { kind: 'saved', revision: (revision ?? 0) + 1 };
      },
    },
  };
}

const stored = (promotion: PromotionDocument, revision: number): StoredPromotion => ({
  promotion,
  revision,
  updatedBy: null,
  updatedAt: '2027-03-01T00:00:00Z',
});

/** Terminals that hold everything; nothing was ever sent. */
export const quietSending = (): SendingStore => ({
  send: async () => 1,
  newest: async () => null,
  newestManifests: async () => new Map(),
  newestRollout: async () => null,
  terminals: async () => [],
  rollouts: async () => [],
  terminalByKeyHash: async () => null,
  report: async () => {},
});
