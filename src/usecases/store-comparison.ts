import { boundsOf, type Instant, MINUTE } from '../core/calendar/index.ts';
import { type PlanDocument, readSchedule } from '../core/plan/index.ts';
import {
  itemDigest,
  type Manifest,
  manifestOf,
  type StoreDifference,
  storeDifference,
  storePlans,
} from '../core/price-file/index.ts';
import type { CurrentPlan } from './plan-store.ts';
import type { SendingStore } from './sending-store.ts';

export interface StoreToSend {
  readonly store: PlanDocument['stores'][number];
  readonly plan: PlanDocument;
  readonly manifest: Manifest;
  readonly difference: StoreDifference;
  readonly first: boolean;
}

/** For each store, what its terminals would get that they were not sent yet. */
export type StoreComparison = (current: CurrentPlan, now: Instant) => Promise<readonly StoreToSend[]>;

/** What is over, and so what is sent, moves with the clock: a comparison is worked out anew after this long. */
const GOOD_FOR = MINUTE;

/** Compares, and keeps the last comparison as long as neither the plan nor what was sent has changed. */
export function storeComparison(sending: SendingStore): StoreComparison {
  let kept: {
    plan: CurrentPlan;
    rollout: number | null;
    at: Instant;
    stores: readonly StoreToSend[];
  } | null = null;
  return async (current, now) => {
    const rollout = await sending.newestRollout();
    const holds =
      kept && kept.plan === current && kept.rollout === rollout && Math.abs(now - kept.at) < GOOD_FOR;
    if (kept && holds) return kept.stores;
    const stores = await storesToSend(current, sending, now);
    kept = { plan: current, rollout, at: now, stores };
    return stores;
  };
}

async function storesToSend(
  current: CurrentPlan,
  sending: SendingStore,
  now: Instant,
): Promise<readonly StoreToSend[]> {
  const sent = await sending.newestManifests();
  const planOf = storePlans(current.document, current.compiled, now);
  const ofItem = itemDigest();
  const approved = new Set(
    current.document.promotions.filter(({ status }) => status === 'approved').map(({ id }) => id),
  );
  return current.document.stores.map((store) => {
    const plan = planOf(store.id);
    const manifest = manifestOf(plan, ofItem);
    const before = sent.get(store.id) ?? null;
    const whole = storeDifference(before, manifest);
    // One that is merely over needs no new file: the terminals know its end.
    const gone = whole.promotions.gone.filter(
      (id) => !approved.has(id) || !isOverAt(id, current, store, now),
    );
    const difference = { ...whole, promotions: { ...whole.promotions, gone } };
    return { store, plan, manifest, difference, first: before === null };
  });
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
