import { randomBytes } from 'node:crypto';
import {
  batchStepRequest,
  codeBatchRequest,
  numberOfAddress,
  oneCodeRequest,
} from '../../contracts/index.ts';
import type { Instant } from '../../core/calendar/index.ts';
import {
  findCode,
  makeCodeBatch,
  stepCodeBatch,
  takeCodeFile,
  takeCodeList,
  todayIn,
  withdrawCode,
} from '../../usecases/index.ts';
import { answerReply, failureReply, outcomeReply } from '../http/reply.ts';
import type { Ports } from '../standing/ports.ts';
import { type HeavyAsked, onBody, onBytes } from './heavy-endpoint-work.ts';

/** Does the work on the batch that the address names, or says that there is none. */
const onBatch =
  <T>(work: (asked: HeavyAsked<T>, batch: number) => Promise<Response>) =>
  async (asked: HeavyAsked<T>): Promise<Response> => {
    const batch = numberOfAddress(asked.params.batch!);
    return batch === null
      ? failureReply({ kind: 'not-found', what: `batch ${asked.params.batch}` })
      : work(asked, batch);
  };

const clockOf = async ({ book }: Ports, now: Instant) => ({
  today: todayIn((await book.current()).compiled, now),
  now: new Date(now),
});

/** Single-use codes: asked for, listed, looked up, withdrawn. */
export const CODE_ENDPOINTS = {
  'make-codes': onBody(codeBatchRequest, async ({ app, person, params, input, now }) =>
    outcomeReply(await makeCodeBatch(app, person, params.id!, input, await clockOf(app, now)), 201),
  ),
  'step-codes': onBody(
    batchStepRequest,
    onBatch(async ({ app, person, input, now }, batch) =>
      outcomeReply(await stepCodeBatch(app, person, batch, input, await clockOf(app, now))),
    ),
  ),
  /** One code a line, with a heading, in the order in which they were made (RFC 4180); `?by=hashes`: a file beside the plan. */
  'code-list': onBytes(
    onBatch(async ({ app, person, query }, batch) => {
      if (query.by === 'hashes') return outcomeReply(await takeCodeFile(app, person, batch, randomBytes(32)));
      const list = await takeCodeList(app, person, batch);
      if (!list.ok) return failureReply(list.failure);
      return new Response(`code\r\n${list.value.codes.join('\r\n')}\r\n`, {
        headers: {
          'content-type': 'text/csv; charset=utf-8',
          'content-disposition': `attachment; filename="codes-${batch}.csv"`,
          'cache-control': 'no-store',
        },
      });
    }),
  ),
  'find-code': onBody(oneCodeRequest, async ({ app, person, input: { code }, now }) =>
    answerReply(await findCode(app, person, code, await clockOf(app, now))),
  ),
  'withdraw-code': onBody(oneCodeRequest, async ({ app, person, input: { code }, now }) =>
    outcomeReply(await withdrawCode(app, person, code, new Date(now))),
  ),
} as const;
