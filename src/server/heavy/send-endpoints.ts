import {
  replaceKeyRequest,
  rungRequest,
  sendAnewRequest,
  sendingHourRequest,
  sendRequest,
  storePricesRequest,
} from '../../contracts/index.ts';
import {
  lookAtRung,
  lookAtSendingHour,
  replaceKey,
  reviewSending,
  reviewStorePrices,
  sendAnew,
  sendPriceFiles,
  setSendingHour,
} from '../../usecases/index.ts';
import { answerReply, outcomeReply } from '../http/reply.ts';
import { log } from '../machine/log.ts';
import { onBody, onBytes, onQuery } from './heavy-endpoint-work.ts';

/** What would go out, and the sending of it. */
export const SEND_ENDPOINTS = {
  'review-sending': onBytes(async ({ app, person, now }) =>
    outcomeReply(await reviewSending(app, person, now)),
  ),
  rung: onQuery(rungRequest, async ({ app, person, input, now }) =>
    answerReply(await lookAtRung(app, person, input, now)),
  ),
  'review-store-prices': onQuery(storePricesRequest, async ({ app, person, input, now }) =>
    outcomeReply(await reviewStorePrices(app, person, input.store, now)),
  ),
  send: onBody(
    sendRequest,
    async ({ app, person, input: { stores = null, planVersion, held = [] }, now }) => {
      const outcome = await sendPriceFiles(app, person, { stores, planVersion, held }, now);
      if (outcome.ok) log.info({ person: person.email, ...outcome.value }, 'price files sent');
      return outcomeReply(outcome);
    },
  ),
  'send-anew': onBody(sendAnewRequest, async ({ app, person, input: { stores = null }, now }) => {
    const outcome = await sendAnew(app, person, { stores }, now);
    if (outcome.ok) log.info({ person: person.email, ...outcome.value }, 'price files sent anew');
    return outcomeReply(outcome);
  }),
  'sending-hour': onBytes(async ({ app, person, now }) =>
    outcomeReply(await lookAtSendingHour(app, person, now)),
  ),
  'set-sending-hour': onBody(sendingHourRequest, async ({ app, person, input, now }) =>
    outcomeReply(await setSendingHour(app, person, input, now)),
  ),
  'replace-key': onBody(replaceKeyRequest, async ({ app, person, input, now }) => {
    const outcome = await replaceKey(app, person, input, now);
    if (outcome.ok)
      log.warn({ person: person.email, ...input, ...outcome.value }, 'a new key signs price files');
    return outcomeReply(outcome);
  }),
} as const;
