import { boundsOf, type Instant, MINUTE } from '../../core/calendar/index.ts';
import { type PlanDocument, readSchedule } from '../../core/plan/index.ts';
import {
  type Manifest,
  manifests,
  type StoreDifference,
  storeDifference,
  storePlans,
  withHeldBack,
} from '../../core/price-file/index.ts';
import type { CurrentPlan, HeldBackStore, SendingStore, SentFile } from '../ports/index.ts';
import { sentContent } from './sent-content.ts';

export interface StoreToSend {
  readonly store: PlanDocument['stores'][number];
  readonly difference: StoreDifference;
  /** Promotions that are held back and would change something here. */
  readonly heldBack: readonly string[];
  readonly first: boolean;
}

/** With all that its file is made of. */
export interface ComparedStore extends StoreToSend {
  readonly plan: PlanDocument;
  readonly manifest: Manifest;
  /** What it was sent last; null: nothing, or something from before there were digests. */
  readonly before: SentFile | null;
}

/** For each store, what its terminals would get that they were not sent yet. */
export type StoreComparison = (current: CurrentPlan, now: Instant) => Promise<readonly StoreToSend[]>;

/** What is over, and so what is sent, moves with the clock: a comparison is worked out anew after this long. */
const GOOD_FOR = MINUTE;
/** Digests of so many stores are read at once. */
const STORES_AT_ONCE = 40;

/** Compares, and keeps the last comparison as long as neither the plan nor what was sent or is held has changed. */
export function storeComparison(sending: SendingStore, heldBack: HeldBackStore): StoreComparison {
  let kept: {
    plan: CurrentPlan;
    rollout: number | null;
    held: string;
    at: Instant;
    stores: readonly StoreToSend[];
  } | null = null;
  return async (current, now) => {
    const rollout = await sending.newestRollout();
    const ids = (await heldBack.all()).map(({ promotion }) => promotion);
    const held = JSON.stringify(ids);
    const holds =
      kept &&
      kept.plan === current &&
      kept.rollout === rollout &&
      kept.held === held &&
      Math.abs(now - kept.at) < GOOD_FOR;
    if (kept && holds) return kept.stores;
    const stores = await storesToSend(current, sending, new Set(ids), now);
    kept = { plan: current, rollout, held, at: now, stores };
    return stores;
  };
}

/** The comparison of all stores. @param held promotions that stay as the stores were sent them. */
export async function storesToSend(
  current: CurrentPlan,
  sending: SendingStore,
  held: ReadonlySet<string>,
  now: Instant,
): Promise<readonly StoreToSend[]> {
  const all: StoreToSend[] = [];
  const ids = current.document.stores.map(({ id }) => id);
  // Plans and digests of a thousand stores are not held at once.
  for await (const { store, difference, heldBack, first } of comparedStores(current, sending, held, now, ids))
    all.push({ store, difference, heldBack, first });
  return all;
}

/** The comparison itself, store by store. @param ids of stores of the plan. */
export async function* comparedStores(
  current: CurrentPlan,
  sending: SendingStore,
  held: ReadonlySet<string>,
  now: Instant,
  ids: readonly string[],
): AsyncGenerator<ComparedStore> {
  const planOf = storePlans(current.document, current.compiled, now);
  const manifestOf = manifests();
  const approved = new Set(
    current.document.promotions.filter(({ status }) => status === 'approved').map(({ id }) => id),
  );
  for (let from = 0; from < ids.length; from += STORES_AT_ONCE) {
    const few = ids.slice(from, from + STORES_AT_ONCE);
    const files = await sending.newestFiles(few);
    for (const id of few) {
      const store = current.compiled.stores.get(id)!;
      const sentFile = files.get(id) ?? null;
      const before = sentFile?.manifest ?? null;
      const free = planOf(id);
      const freeManifest = manifestOf(free);
      const heldBack = heldIn(held, before, freeManifest);
      // What the store was never sent is left out: nothing must be read for that.
      const keeps = heldBack.some((one) => before?.promotions[one] !== undefined);
      const sent = keeps ? await lastSent(sending, id) : null;
      const plan = heldBack.length === 0 ? free : withHeldBack(free, sent, new Set(heldBack));
      const manifest = plan === free ? freeManifest : manifestOf(plan);
      const whole = storeDifference(before, manifest);
      // One that is merely over needs no new file: the terminals know its end.
      const gone = whole.promotions.gone.filter(
        (one) => !approved.has(one) || !isOverAt(one, current, store, now),
      );
      const difference = { ...whole, promotions: { ...whole.promotions, gone } };
      yield { store, plan, manifest, difference, heldBack, first: before === null, before: sentFile };
    }
  }
}

/** The comparison of one store alone. @param store the id of one in the plan. */
export async function comparedStore(
  { sending, heldBack }: { sending: SendingStore; heldBack: HeldBackStore },
  current: CurrentPlan,
  store: string,
  now: Instant,
): Promise<ComparedStore> {
  const held = (await heldBack.all()).map(({ promotion }) => promotion);
  return (await comparedStores(current, sending, new Set(held), now, [store]).next()).value;
}

/** What is held back and differs from what the store was sent. */
const heldIn = (held: ReadonlySet<string>, before: Manifest | null, after: Manifest): string[] =>
  [...held].filter((id) => before?.promotions[id] !== after.promotions[id]);

async function lastSent(sending: SendingStore, store: string): Promise<PlanDocument | null> {
  const number = await sending.newestNumber(store);
  return number === null ? null : ((await sentContent(sending, store, number))?.plan ?? null);
}

function isOverAt(
  id: string,
  { document, compiled }: CurrentPlan,
  store: PlanDocument['stores'][number],
  now: Instant,
): boolean {
  const { when } = document.promotions.find((promotion) => promotion.id === id)!;
  return boundsOf(readSchedule(when), compiled.clockOf(store)).to <= now;
}

/** The promotions that make any store's difference. */
export function promotionsIn(open: readonly StoreToSend[]): string[] {
  return [
    ...new Set(
      open.flatMap(({ difference: { promotions } }) => [
        ...promotions.added,
        ...promotions.changed,
        ...promotions.gone,
      ]),
    ),
  ];
}
