import { boundsOf, type Instant, isUnbroken, type ZoneClock } from '../calendar/index.ts';
import { needsCode, type Promotion, type StoreDocument } from '../plan/index.ts';
import { isFor, type LostReason, type Shopper } from '../tag-price/index.ts';
import { isLive } from './compiled-plan.ts';

/** Where, when and by whom a price is asked. */
export interface Situation {
  readonly store: StoreDocument;
  readonly clock: ZoneClock;
  readonly at: Instant;
  readonly shopper: Shopper;
  readonly channel: string;
  /** The terminal's id and tags; empty where the question names none. */
  readonly terminal: readonly string[];
  /** Promotions whose code is held; absent: no code was given. */
  readonly holding?: ReadonlySet<string>;
  /** Promotions that have been used as often as they may be. */
  readonly usedUp?: ReadonlySet<string>;
}

/** A promotion with the stores it is for. */
export interface Placed {
  readonly promotion: Promotion;
  stores(): ReadonlySet<string>;
}

/** A question without a channel asks for this one. */
export const DEFAULT_CHANNEL = 'till';

/** Why a promotion does not count in a situation, whatever the item; null where it does. */
export function barOf(placed: Placed, situation: Situation): LostReason | null {
  return standingBar(placed, situation) ?? timeBar(placed.promotion, situation);
}

/** All that does not depend on the time. */
export function standingBar({ promotion, stores }: Placed, situation: Situation): LostReason | null {
  if (promotion.status !== 'approved') return 'switched-off';
  if (!stores().has(situation.store.id)) return 'wrong-store';
  if (promotion.channels && !promotion.channels.includes(situation.channel)) return 'wrong-channel';
  if (promotion.terminals && !promotion.terminals.some((name) => situation.terminal.includes(name)))
    return 'wrong-terminal';
  if (!isFor(promotion.who, situation.shopper)) return 'wrong-shopper';
  if (needsCode(promotion) && !situation.holding?.has(promotion.id)) return 'needs-code';
  return situation.usedUp?.has(promotion.id) ? 'used-up' : null;
}

function timeBar({ when }: Promotion, { clock, at }: Situation): LostReason | null {
  const bounds = boundsOf(when, clock);
  if (at < bounds.from) return 'not-started';
  if (at >= bounds.to) return 'over';
  return isUnbroken(when) || isLive(when, clock, at) ? null : 'outside-hours';
}
