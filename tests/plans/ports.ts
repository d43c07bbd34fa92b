import type { ChainWords, KeptLoophole, Person, Role, SentByItself } from '../../src/contracts/index.ts';
import { tableOf, withEntries } from '../../src/contracts/table/index.ts';
import { NO_HOUSE_RULES } from '../../src/core/house-rules/index.ts';
import type { PlanDocument, PromotionDocument } from '../../src/core/plan/index.ts';
import type {
  ChainWordsStore,
  CurrentPlan,
  HeldBack,
  HeldBackStore,
  HistoryEntry,
  ItemSearch,
  PlanBook,
  PlanPast,
  PromotionStore,
  SendingHourStore,
  SendingStore,
  SigningKeys,
  StockroomStore,
  StoredPromotion,
  WaitingEntries,
  WaitingEntryStore,
  WorkRules,
  WorkRulesStore,
} from '../../src/usecases/index.ts';
import type {
  AcceptedFinding,
  BasketCheckStore,
  FindingStore,
  LoopholeStore,
  SearchedLoopholes,
  StoredBasketCheck,
} from '../../src/usecases/ports/index.ts';
import { shoppersInMemory } from './shoppers-in-memory.ts';
import { compiled } from './small-plan.ts';

export const person = (role: Role, stores: string[] | null = null): Person => ({
  id: role,
  name: role,
  email: `${role}@x.example`,
  role,
  costs: role !== 'store',
  stores,
});

/** Ports in memory: a plan whose promotions can be saved, with nothing else behind it. */
export function inMemory(
  document: PlanDocument,
  said: Partial<WorkRules> = {},
): {
  book: PlanBook;
  past: PlanPast;
  promotions: PromotionStore;
  rules: WorkRulesStore;
  heldBack: HeldBackStore;
  words: ChainWordsStore;
  stockroom: StockroomStore;
  waiting: WaitingEntryStore & { held: WaitingEntries[] };
  shoppers: ReturnType<typeof shoppersInMemory>;
  saved: StoredPromotion[];
  actions: string[];
} {
  let rules: WorkRules = {
    another: false,
    stockroom: false,
    tagsTellLowest: true,
    house: NO_HOUSE_RULES,
    secondStep: null,
    ...said,
  };
  let current: CurrentPlan = { version: 1, document, compiled: compiled(document) };
  const saved: StoredPromotion[] = document.promotions.map((promotion) => stored(promotion, 1));
  const actions: string[] = [];
  const waiting = waitingInMemory();
  const history: (HistoryEntry & { subject: string })[] = [];
  const find = (id: string) => saved.find(({ promotion }) => promotion.id === id) ?? null;
  return {
    saved,
    actions,
    rules: {
      current: async () => rules,
      change: async (change) => {
        rules = { ...rules, ...change(rules) };
      },
    },
    book: { current: async () => current },
    past: nothingBefore,
    waiting,
    heldBack: heldInMemory(),
    words: wordsInMemory(),
    shoppers: shoppersInMemory(),
    stockroom: {
      findItems: async (search) => foundItems(current.document, search),
      async change(entries, version, { action, settles }) {
        if (version !== current.version) return { kind: 'moved-on' };
        if (settles !== undefined) await waiting.drop(settles);
        const next = withEntries(current.document, entries, tableOf(entries.table).keyOf);
        current = { version: version + 1, document: next, compiled: compiled(next) };
        actions.push(action);
        return { kind: 'saved', version: version + 1 };
      },
    },
    promotions: {
      find: async (id) => find(id),
      all: async () => saved,
      history: async (id) => history.filter((entry) => entry.subject === id).toReversed(),
      async saveAll(changes, by) {
        const stale = changes.find(
          ({ promotion, revision }) => (find(promotion.id)?.revision ?? null) !== revision,
        );
        if (stale) return { kind: 'stale', id: stale.promotion.id };
        for (const { promotion, revision, ...change } of changes)
          await this.save(promotion, revision, { person: by, ...change });
        return { kind: 'saved' };
      },
      async save(promotion, revision, change) {
        const before = find(promotion.id);
        if ((before?.revision ?? null) !== revision) return { kind: 'stale', current: before };
        if (before) saved.splice(saved.indexOf(before), 1);
        const waiting = change.proposal === undefined ? (before?.proposal ?? null) : change.proposal;
        saved.push({
          ...stored(promotion, (revision ?? 0) + 1),
          proposal: waiting,
          updatedBy: change.person,
        });
        actions.push(change.action);
        history.push({
          id: history.length + 1,
          subject: promotion.id,
          at: '2027-03-01T00:00:00Z',
          personId: change.person,
          person: change.person,
          action: change.action,
          before: before?.promotion ?? null,
          after: waiting?.document ?? promotion,
        });
        const promotions = saved.map((one) => one.promotion);
        const next = { ...current.document, promotions };
        current = { version: current.version + 1, document: next, compiled: compiled(next) };
        return { kind: 'saved', revision: (revision ?? 0) + 1 };
      },
    },
  };
}

/** The hour of sending, in memory. */
export function hourInMemory(): SendingHourStore & { results: SentByItself[] } {
  const results: SentByItself[] = [];
  let kept: Awaited<ReturnType<SendingHourStore['current']>> = {
    hour: null,
    doneUntil: 0 as never,
    last: null,
  };
  return {
    results,
    current: async () => kept,
    async set(hour, _, now) {
      kept = { ...kept, hour, doneUntil: now.getTime() as never };
    },
    async done(last) {
      results.push(last);
      kept = { ...kept, last, doneUntil: Date.parse(last.at) as never };
    },
  };
}

/** A plan of which nothing is on record. */
export const nothingBefore: PlanPast = {
  known: async () => null,
  since: async () => null,
  keep: async () => false,
};

/** Changes of the stockroom that wait, in memory. */
function waitingInMemory(): WaitingEntryStore & { held: WaitingEntries[] } {
  const held: WaitingEntries[] = [];
  const at = (id: number) => held.findIndex((one) => one.id === id);
  return {
    held,
    all: async () => held,
    find: async (id) => held[at(id)] ?? null,
    async hold(waiting) {
      const id = (held.at(-1)?.id ?? 0) + 1;
      const writtenAt = '2027-03-01T00:00:00Z';
      held.push({ ...waiting, id, writer: waiting.writtenBy, writtenAt, returned: null });
      return id;
    },
    async sendBack(id, returned) {
      held[at(id)] = { ...held[at(id)]!, returned };
      return true;
    },
    drop: async (id) => held.splice(at(id), 1).length > 0,
  };
}

/** Kept baskets in memory; `runs` counts how often a result was kept. */
export function checksInMemory(): BasketCheckStore & { runs: number } {
  const kept: StoredBasketCheck[] = [];
  return {
    runs: 0,
    all: async () => kept,
    async put(check) {
      const at = kept.findIndex(({ name }) => name === check.name);
      const id = at >= 0 ? kept[at]!.id : kept.length + 1;
      kept.splice(at >= 0 ? at : kept.length, at >= 0 ? 1 : 0, { ...check, id });
      return id;
    },
    async keepResult(id, result) {
      this.runs += 1;
      const at = kept.findIndex((check) => check.id === id);
      kept[at] = { ...kept[at]!, result };
    },
    async drop(id) {
      const at = kept.findIndex((check) => check.id === id);
      if (at >= 0) kept.splice(at, 1);
      return at >= 0;
    },
  };
}

export function findingsInMemory(): FindingStore & { looks: number; told: string[] } {
  let kept: { version: number; day: string; found: Awaited<ReturnType<FindingStore['found']>> } | null = null;
  const accepted = new Map<string, AcceptedFinding>();
  return {
    looks: 0,
    told: [],
    found: async (version, day) => (kept?.version === version && kept.day === day ? kept.found : null),
    async keep(version, day, found) {
      this.looks += 1;
      kept = { version, day, found };
    },
    async forget() {
      kept = null;
    },
    accepted: async () => [...accepted.values()],
    async accept(finding, promotions, by) {
      this.told.push(...promotions);
      accepted.set(finding.key, { ...finding, by, at: '2027-03-01T00:00:00.000Z' });
    },
    takeBack: async (key) => accepted.delete(key),
  };
}

export function loopholesInMemory(): LoopholeStore & { looks: number; searches: number } {
  const searches = new Map<string, readonly KeptLoophole[]>();
  let kept: { version: number; day: string; searched: SearchedLoopholes } | null = null;
  return {
    looks: 0,
    searches: 0,
    searched: async (key) => searches.get(key) ?? null,
    async keepSearch(key, found) {
      this.searches += 1;
      searches.set(key, found);
    },
    found: async (version, day) => (kept?.version === version && kept.day === day ? kept.searched : null),
    async keep(version, day, searched) {
      this.looks += 1;
      kept = { version, day, searched };
    },
    async forget() {
      kept = null;
    },
  };
}

const stored = (promotion: PromotionDocument, revision: number): StoredPromotion => ({
  promotion,
  proposal: null,
  revision,
  updatedBy: null,
  updatedAt: '2027-03-01T00:00:00Z',
});

/** Keys that sign nothing that counts. */
export const quietKeys = (): SigningKeys => ({
  newest: async () => ({ publicKey: '', key: 'k', sign: () => ({ sha256: '', signature: '' }) }),
  certificates: async () => [],
  all: async () => [],
  rotate: async () => {},
});

/** Terminals that hold everything; nothing was ever sent. */
export const quietSending = (): SendingStore => ({
  async send(_, make) {
    let stores = 0;
    for await (const files of make(1)) stores += files.length;
    return { rollout: 1, stores };
  },
  newestNumber: async () => null,
  newestNumbers: async () => new Map(),
  envelope: async () => null,
  renewEpoch: async () => false,
  lastRestore: async () => null,
  newestFiles: async () => new Map(),
  newestDates: async () => new Map(),
  change: async () => null,
  sentFile: async () => null,
  story: async () => [],
  saidBy: async () => null,
  rollout: async () => null,
  newestRollout: async () => null,
  terminals: async () => [],
  terminal: async () => null,
  storesOfRollout: async () => [],
  rollouts: async () => [],
  terminalKeys: async () => new Map(),
  report: async () => {},
  wake: async () => {},
  giveKey: async () => {},
  askWhole: async () => {},
  gaveWhole: async () => {},
});

/** By number, barcode, name or brand, in the order of the plan. */
function foundItems({ items }: PlanDocument, { words, among, offset, limit }: ItemSearch) {
  const skus = items
    .filter(({ sku }) => !among || among.includes(sku))
    .filter(({ sku, gtin, name, brand }) =>
      words.every((word) => `${sku} ${gtin} ${name} ${brand}`.toLowerCase().includes(word)),
    )
    .map(({ sku }) => sku);
  return { skus: skus.slice(offset, offset + (limit ?? skus.length)), total: skus.length };
}

export function heldInMemory(): HeldBackStore {
  let held: HeldBack[] = [];
  return {
    all: async () => held,
    async hold(promotion, by) {
      held = [...held, { promotion, by, at: '2027-04-14T10:00:00Z' }];
    },
    async letGo(promotion) {
      held = held.filter((one) => one.promotion !== promotion);
    },
  };
}

function wordsInMemory(): ChainWordsStore {
  let words: ChainWords = { payments: [], deliveries: [], regions: [], linkTags: [] };
  return {
    current: async () => words,
    async change(change) {
      words = change(words) ?? words;
    },
  };
}
