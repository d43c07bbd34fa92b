import type { Instant } from '../../core/calendar/index.ts';
import type { PriceFileMaker, SendingReason, SendingStore } from '../ports/index.ts';
import { promotionsIn, type StoreToSend } from './store-comparison.ts';

export interface ToSend {
  readonly person: string;
  readonly reason: SendingReason;
  /** Of the plan that is sent. */
  readonly version: number;
  readonly chosen: readonly StoreToSend[];
  /** Promotions that stay as the stores were sent them. */
  readonly held: readonly string[];
  readonly now: Instant;
}

/**
 * Has the files of stores made of the plan, and sends them.
 * @throws PlanMovedOn where the plan has changed since they were compared: then nothing was sent.
 */
export const sendStores = (
  { sending, maker }: { sending: SendingStore; maker: PriceFileMaker },
  { person, reason, version, chosen, held, now }: ToSend,
): Promise<{ readonly rollout: number; readonly stores: number }> =>
  sending.send({ person, reason, planVersion: version, promotions: promotionsIn(chosen) }, (number) =>
    maker.make({
      ...{ stores: chosen.map(({ store }) => store.id), number, now },
      of: { kind: 'plan', version, held },
    }),
  );
