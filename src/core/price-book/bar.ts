import { boundsOf, type Instant, type ZoneClock } from '../calendar/index.ts';
import type { StoreDocument } from '../plan/index.ts';
import { isFor, type LostReason, type PriceChangePromotion, type Shopper } from '../tag-price/index.ts';
import { type CompiledChange, isLive } from './compiled-plan.ts';

/** Where, when and by whom a price is asked. */
export interface Situation {
  readonly store: StoreDocument;
  readonly clock: ZoneClock;
  readonly at: Instant;
  readonly shopper: Shopper;
  readonly channel: string;
  /** The terminal's id and tags; empty where the question names none. */
  readonly terminal: readonly string[];
}

/** A question without a channel asks for this one. */
export const DEFAULT_CHANNEL = 'till';

/** Why a price change does not count in a situation, whatever the item; null where it does. */
export function barOf(change: CompiledChange, situation: Situation): LostReason | null {
  return standingBar(change, situation) ?? timeBar(change.promotion, situation);
}

/** All that does not depend on the time. */
export function standingBar({ promotion, stores }: CompiledChange, situation: Situation): LostReason | null {
  if (promotion.status !== 'approved') return 'switched-off';
  if (!stores().has(situation.store.id)) return 'wrong-store';
  if (promotion.channels && !promotion.channels.includes(situation.channel)) return 'wrong-channel';
  if (promotion.terminals && !promotion.terminals.some((name) => situation.terminal.includes(name)))
    return 'wrong-terminal';
  if (!isFor(promotion.who, situation.shopper)) return 'wrong-shopper';
  return promotion.codes.length > 0 ? 'needs-code' : null;
}

function timeBar({ when }: PriceChangePromotion, { clock, at }: Situation): LostReason | null {
  const bounds = boundsOf(when, clock);
  if (at < bounds.from) return 'not-started';
  if (at >= bounds.to) return 'over';
  return isLive(when, clock, at) ? null : 'outside-hours';
}
