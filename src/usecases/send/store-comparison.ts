import { boundsOf, type Instant, MINUTE } from '../../core/calendar/index.ts';
import { type PlanDocument, readSchedule } from '../../core/plan/index.ts';
import {
  itemDigest,
  type Manifest,
  manifestOf,
  type StoreDifference,
  storeDifference,
  storePlans,
  withHeldBack,
} from '../../core/price-file/index.ts';
import type { CurrentPlan, HeldBackStore, SendingStore, SentFile } from '../ports/index.ts';
import { sentContent } from './sent-content.ts';

export interface StoreToSend {
  readonly store: PlanDocument['stores'][number];
  readonly plan: PlanDocument;
  readonly manifest: Manifest;
  readonly difference: StoreDifference;
  /** Promotions that are held back and would change something here. */
  readonly heldBack: readonly string[];
  readonly first: boolean;
  /** What it was sent last; null: nothing, or something from before there were digests. */
  readonly before: SentFile | null;
}

/** For each store, what its terminals would get that they were not sent yet. */
export type StoreComparison = (current: CurrentPlan, now: Instant) => Promise<readonly StoreToSend[]>;

/** What is over, and so what is sent, moves with the clock: a comparison is worked out anew after this long. */
const GOOD_FOR = MINUTE;

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

/** The comparison itself. @param held promotions that stay as the stores were sent them. */
export async function storesToSend(
  current: CurrentPlan,
  sending: SendingStore,
  held: ReadonlySet<string>,
  now: Instant,
): Promise<readonly StoreToSend[]> {
  const files = await sending.newestFiles();
  const planOf = storePlans(current.document, current.compiled, now);
  const ofItem = itemDigest();
  const approved = new Set(
    current.document.promotions.filter(({ status }) => status === 'approved').map(({ id }) => id),
  );
  const all: StoreToSend[] = [];
  for (const store of current.document.stores) {
    const sentFile = files.get(store.id) ?? null;
    const before = sentFile?.manifest ?? null;
    const free = planOf(store.id);
    const heldBack = heldIn(held, before, manifestOf(free, ofItem));
    // What the store was never sent is left out: nothing must be read for that.
    const keeps = heldBack.some((id) => before?.promotions[id] !== undefined);
    const sent = keeps ? await lastSent(sending, store.id) : null;
    const plan = heldBack.length === 0 ? free : withHeldBack(free, sent, new Set(heldBack));
    const manifest = manifestOf(plan, ofItem);
    const whole = storeDifference(before, manifest);
    // One that is merely over needs no new file: the terminals know its end.
    const gone = whole.promotions.gone.filter(
      (id) => !approved.has(id) || !isOverAt(id, current, store, now),
    );
    const difference = { ...whole, promotions: { ...whole.promotions, gone } };
    all.push({ store, plan, manifest, difference, heldBack, first: before === null, before: sentFile });
  }
  return all;
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
