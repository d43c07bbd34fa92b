import Joi from 'joi';
import {
  basketCheckRequest,
  basketSchema,
  done,
  gridFileRequest,
  gridRequest,
  loopholeCasesRequest,
  loopholesRequest,
  selectionRequest,
  timelineRequest,
} from '../../contracts/index.ts';
import type { Instant } from '../../core/calendar/index.ts';
import {
  asHeld,
  asKnown,
  gridFile,
  keepBasketCheck,
  knownMoment,
  lookAtFindings,
  lookAtGrid,
  lookAtLoopholeCases,
  lookAtSelection,
  lookAtTimeline,
  matchCodes,
  readItemRule,
  resolveLooking,
  ringTrialBasket,
  runBasketChecks,
  searchKeptLoopholes,
  searchLoopholes,
  selectedItems,
} from '../../usecases/index.ts';
import { fileReply } from '../files/write-rows.ts';
import { answerReply, failureReply, json, outcomeReply } from '../http/reply.ts';
import { type HeavyAsked, onBody, onBytes, onQuery } from './heavy-endpoint-work.ts';

const codesRequest = Joi.object<{ codes: string[] }>({
  codes: Joi.array().items(Joi.string().min(1).max(200)).min(1).max(20_000).required(),
});

/** Looks at the plan as it was known, where the address says so. */
const past =
  <T>(work: (asked: HeavyAsked<T> & { readonly known: Instant | null }) => Promise<Response>) =>
  async (asked: HeavyAsked<T>): Promise<Response> => {
    const text = asked.query.known;
    const app = await asKnown(asked.app, text);
    if (!app.ok) return failureReply(app.failure);
    return work({ ...asked, app: app.value, known: text === undefined ? null : knownMoment(text, null) });
  };

/** Baskets and selections: what is rung, and what rules select. */
export const CHECK_ENDPOINTS = {
  basket: onBody(
    basketSchema,
    past(async ({ app, person, input, query, now }) => {
      const { till } = query;
      const by = till ? await asHeld(app, person, { terminal: till, at: input.at }, now) : done(app);
      return by.ok
        ? answerReply(await ringTrialBasket({ ...app, ...by.value }, person, input, now))
        : failureReply(by.failure);
    }),
  ),
  findings: onBytes(
    past(async ({ app, person, now, known }) => json(await lookAtFindings(app, person, now, known))),
  ),
  grid: onQuery(
    gridRequest,
    past(async ({ app, person, input, now }) => answerReply(await lookAtGrid(app, person, input, now))),
  ),
  'grid-file': onQuery(
    gridFileRequest,
    past(async ({ app, person, input: { kind, ...asked }, now }) => {
      const file = await gridFile(app, person, asked, now);
      if (!file.ok) return failureReply(file.failure);
      return fileReply('prices', kind, file.value.columns, file.value.rows);
    }),
  ),
  'kept-loopholes': onBytes(async ({ app, person, now }) =>
    answerReply(await searchKeptLoopholes(app, person, now)),
  ),
  'loophole-cases': onQuery(
    loopholeCasesRequest,
    past(async ({ app, person, input }) => answerReply(await lookAtLoopholeCases(app, person, input))),
  ),
  loopholes: onQuery(
    loopholesRequest,
    past(async ({ app, person, input }) => answerReply(await searchLoopholes(app, person, input))),
  ),
  timeline: onQuery(
    timelineRequest,
    past(async ({ app, person, input }) => answerReply(await lookAtTimeline(app, person, input))),
  ),
  'basket-checks': onBytes(async ({ app, person, now }) => json(await runBasketChecks(app, person, now))),
  'keep-basket-check': onBody(basketCheckRequest, async ({ app, person, input, now }) =>
    outcomeReply(await keepBasketCheck(app, person, input, now), 201),
  ),
  /** What a rule selects now and in a week. Asked with a body, as a rule may be long. */
  selection: onBody(selectionRequest, async ({ app, person, input, now }) => {
    const looking = await resolveLooking(app, person, input, now);
    if (!looking.ok) return failureReply(looking.failure);
    const { of, rule, text = '' } = input;
    return answerReply(await lookAtSelection(app, person, { of, rule, text, ...looking.value }));
  }),
  'selected-items': onBody(selectionRequest, async ({ app, person, input, now }) => {
    const looking = await resolveLooking(app, person, input, now);
    if (!looking.ok) return failureReply(looking.failure);
    const current = await app.book.current();
    const rule = readItemRule(input.rule, current);
    if (!rule.ok) return failureReply(rule.failure);
    return json({ skus: selectedItems(current, rule.value, looking.value).map(({ sku }) => sku) });
  }),
  codes: onBody(codesRequest, async ({ app, input }) => json(await matchCodes(app, input.codes))),
} as const;
