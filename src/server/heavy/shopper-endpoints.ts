import {
  cardRequest,
  fileRequest,
  findShoppersRequest,
  joinAnswerRequest,
  newShopperRequest,
  numberOfAddress,
  PEOPLE,
  PEOPLE_COLUMNS,
  shopperRequest,
  termsRequest,
} from '../../contracts/index.ts';
import {
  addShopper,
  answerJoin,
  bringPeopleIn,
  changeShopper,
  findShoppers,
  giveCard,
  giveTerms,
  lookAtShopper,
  maySeeShoppers,
  peopleAsRows,
  takeCards,
  takeOutShopper,
  wipeShopper,
} from '../../usecases/index.ts';
import { fileReply } from '../files/write-rows.ts';
import { answerReply, failureReply, outcomeReply } from '../http/reply.ts';
import { bringInReply, matchingOf, NO_MATCHING } from './bring-in-reply.ts';
import { onBody, onBytes, onQuery } from './heavy-endpoint-work.ts';

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
  /** Everybody who is known, as a file. */
  'people-file': onQuery(fileRequest, async ({ app, person, input: { kind } }) => {
    const rows = await peopleAsRows(app, person);
    if (!rows.ok) return failureReply(rows.failure);
    // Of cards the numbers are kept nowhere.
    const columns = PEOPLE_COLUMNS.filter(({ field }) => field !== 'card');
    return fileReply(PEOPLE, kind, columns, rows.value);
  }),
  /** As a table's file is brought in. */
  'bring-people-in': onBytes(async ({ app, person, bytes, query, now }) => {
    const matching = matchingOf(query.matching ?? null);
    if (matching === undefined) return failureReply(NO_MATCHING);
    // A file is not opened for somebody who may not bring it in.
    if (!maySeeShoppers(person)) return failureReply({ kind: 'forbidden' });
    const read = await app.readFile(bytes);
    if (!read.ok) return failureReply(read.failure);
    return bringInReply(
      await bringPeopleIn(app, person, { ...read.value, matching, dry: query.dry === '1' }, new Date(now)),
    );
  }),
  'answer-join': onBody(joinAnswerRequest, async ({ app, person, params, input, now }) => {
    const id = numberOfAddress(params.id!);
    return id === null
      ? failureReply({ kind: 'not-found', what: `request ${params.id}` })
      : outcomeReply(await answerJoin(app, person, id, input, new Date(now)));
  }),
} as const;
