import {
  cardRequest,
  findShoppersRequest,
  joinAnswerRequest,
  newShopperRequest,
  numberOfAddress,
  shopperRequest,
  termsRequest,
} from '../../contracts/index.ts';
import {
  addShopper,
  answerJoin,
  changeShopper,
  findShoppers,
  giveCard,
  giveTerms,
  lookAtShopper,
  takeCards,
  takeOutShopper,
  wipeShopper,
} from '../../usecases/index.ts';
import { answerReply, failureReply, outcomeReply } from '../http/reply.ts';
import { onBody, onBytes } from './heavy-endpoint-work.ts';

/** People and accounts that shop. */
export const SHOPPER_ENDPOINTS = {
  'find-shoppers': onBody(findShoppersRequest, async ({ app, person, input: { text } }) =>
    answerReply(await findShoppers(app, person, text)),
  ),
  'add-shopper': onBody(newShopperRequest, async ({ app, person, input, now }) =>
    outcomeReply(await addShopper(app, person, input, new Date(now)), 201),
  ),
  shopper: onBytes(async ({ app, person, params, now }) =>
    answerReply(await lookAtShopper(app, person, params.id!, now)),
  ),
  'change-shopper': onBody(shopperRequest, async ({ app, person, params, input, now }) =>
    outcomeReply(await changeShopper(app, person, params.id!, input, new Date(now))),
  ),
  'wipe-shopper': onBytes(async ({ app, person, params }) =>
    outcomeReply(await wipeShopper(app, person, params.id!)),
  ),
  'give-card': onBody(cardRequest, async ({ app, person, params, input: { card } }) =>
    outcomeReply(await giveCard(app, person, params.id!, card)),
  ),
  'take-cards': onBytes(async ({ app, person, params }) =>
    outcomeReply(await takeCards(app, person, params.id!)),
  ),
  'give-terms': onBody(termsRequest, async ({ app, person, params, input, now }) =>
    outcomeReply(await giveTerms(app, person, params.id!, input, now)),
  ),
  /** All that is kept of somebody, as JSON (RFC 8259). */
  'take-out-shopper': onBytes(async ({ app, person, params }) => {
    const kept = await takeOutShopper(app, person, params.id!);
    if (!kept.ok) return failureReply(kept.failure);
    return new Response(JSON.stringify(kept.value, null, 2), {
      headers: {
        'content-type': 'application/json; charset=utf-8',
        'content-disposition': `attachment; filename="shopper-${encodeURIComponent(params.id!)}.json"`,
        'cache-control': 'no-store',
      },
    });
  }),
  'answer-join': onBody(joinAnswerRequest, async ({ app, person, params, input, now }) => {
    const id = numberOfAddress(params.id!);
    return id === null
      ? failureReply({ kind: 'not-found', what: `request ${params.id}` })
      : outcomeReply(await answerJoin(app, person, id, input, new Date(now)));
  }),
} as const;
