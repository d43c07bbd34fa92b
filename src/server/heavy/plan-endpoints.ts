import { randomBytes } from 'node:crypto';
import Joi from 'joi';
import {
  dealPreviewRequest,
  keepDraftRequest,
  LANES_BY,
  type LanesBy,
  manyRequest,
  orderRequest,
  outlookRequest,
  parsePlan,
  previewRequest,
  repriceRequest,
  savePromotionRequest,
  standingRequest,
  statusRequest,
  stepRequest,
  templateRequest,
  undoManyRequest,
  waitingPricesRequest,
  weekRequest,
  worksheetRequest,
} from '../../contracts/index.ts';
import {
  calendarFile,
  changeMany,
  changeStanding,
  findOfDraft,
  keepDraft,
  keepPicture,
  keepTemplate,
  layOutReprice,
  layOutWorksheet,
  lookAtCalendar,
  lookAtOrder,
  lookAtWeek,
  outlookOfDraft,
  previewDeal,
  previewMany,
  previewPromotion,
  previewStanding,
  replacePlan,
  reviewWaitingPrices,
  savePromotion,
  seenBy,
  setPromotionStatus,
  stepPromotion,
  undoMany,
} from '../../usecases/index.ts';
import { parseJson } from '../http/read-body.ts';
import { answerReply, failureReply, json, outcomeReply } from '../http/reply.ts';
import { taggedRevision, taggedVersion, versionTag } from '../http/version-tag.ts';
import { onBody, onBytes, onQuery } from './heavy-endpoint-work.ts';

const letters = () => randomBytes(3).toString('hex');
const laneRequest = Joi.object<{ by: LanesBy }>({ by: Joi.valid(...LANES_BY).required() });
const calendarRequest = Joi.object<{ stores?: string }>({ stores: Joi.string().max(20_000) });

/** Work on promotions: what they would do, and the saving of many lines at once. */
export const PLAN_ENDPOINTS = {
  'preview-promotion': onBody(previewRequest, async ({ app, person, input: { promotion, store = null } }) =>
    answerReply(await previewPromotion(app, person, { promotion, store })),
  ),
  'waiting-prices': onQuery(waitingPricesRequest, async ({ app, person, input, now }) =>
    outcomeReply(await reviewWaitingPrices(app, person, input, now)),
  ),
  order: onQuery(orderRequest, async ({ app, person, input }) =>
    answerReply(await lookAtOrder(app, person, input)),
  ),
  standing: onBody(standingRequest, async ({ app, person, input: { changes, dry = false }, now }) =>
    dry
      ? answerReply(await previewStanding(app, person, changes, now))
      : outcomeReply(await changeStanding(app, person, changes)),
  ),
  outlook: onBody(outlookRequest, async ({ app, person, input }) =>
    answerReply(await outlookOfDraft(app, person, input)),
  ),
  week: onBody(weekRequest, async ({ app, person, input }) =>
    answerReply(await lookAtWeek(app, person, input)),
  ),
  'draft-findings': onBody(previewRequest, async ({ app, person, input: { promotion }, now }) =>
    answerReply(await findOfDraft(app, person, { promotion }, now)),
  ),
  'preview-deal': onBody(
    dealPreviewRequest,
    async ({ app, person, input: { promotion, store = null, lines = null } }) =>
      answerReply(await previewDeal(app, person, { promotion, store, lines })),
  ),
  worksheet: onBody(worksheetRequest, async ({ app, person, input: { promotion, store = null } }) =>
    answerReply(await layOutWorksheet(app, person, { promotion, store })),
  ),
  reprice: onBody(repriceRequest, async ({ app, person, input }) =>
    answerReply(await layOutReprice(app, person, input)),
  ),
  'new-promotion': onBody(savePromotionRequest, async ({ app, person, input: { promotion } }) =>
    outcomeReply(await savePromotion(app, person, { promotion, revision: null }), 201),
  ),
  'save-promotion': onBody(savePromotionRequest, async ({ app, person, input, params, ifMatch }) => {
    const { promotion } = input;
    const tagged = taggedRevision(ifMatch);
    const revision = tagged ?? input.revision;
    if (promotion.id !== params.id || revision === undefined)
      return failureReply({
        kind: 'invalid',
        faults: [
          {
            path: ['revision'],
            what: 'the id or the revision does not fit',
            wanted: 'the id of the address and the revision that was opened',
          },
        ],
      });
    const outcome = await savePromotion(app, person, { promotion, revision });
    return outcome.ok
      ? outcomeReply(outcome)
      : failureReply(outcome.failure, { precondition: tagged !== null });
  }),
  'promotion-status': onBody(statusRequest, async ({ app, person, input, params }) =>
    outcomeReply(await setPromotionStatus(app, person, { id: params.id!, ...input })),
  ),
  'promotion-step': onBody(stepRequest, async ({ app, person, input, params, now }) => {
    const { step, revision, reason = '' } = input;
    const at = new Date(now).toISOString();
    return outcomeReply(await stepPromotion(app, person, { id: params.id!, step, reason, revision }, at));
  }),
  'many-promotions': onBody(manyRequest, async ({ app, person, input, now }) => {
    const { dry = false, days = 0, ...rest } = input;
    const request = { ...rest, days };
    return dry
      ? answerReply(await previewMany(app, person, request, now, letters))
      : outcomeReply(await changeMany(app, person, request, now, letters));
  }),
  'undo-many': onBody(undoManyRequest, async ({ app, person, input: { days = 0, ...rest }, now }) =>
    outcomeReply(await undoMany(app, person, { ...rest, days }, now)),
  ),
  calendar: onQuery(laneRequest, async ({ app, person, input }) =>
    json(await lookAtCalendar(app, person, input.by)),
  ),
  'calendar-file': onQuery(
    calendarRequest,
    async ({ app, person, input }) =>
      new Response(await calendarFile(app, person, input.stores?.split(',') ?? null), {
        headers: {
          'content-type': 'text/calendar; charset=utf-8',
          'content-disposition': 'attachment; filename="promotions.ics"',
          'cache-control': 'no-store',
        },
      }),
  ),
  'keep-draft': onBody(keepDraftRequest, async ({ app, person, input: { draft, revision = null }, params }) =>
    outcomeReply(await keepDraft(app, person, { key: params.key!, draft, revision })),
  ),
  'keep-template': onBody(templateRequest, async ({ app, person, input }) =>
    outcomeReply(await keepTemplate(app, person, input), 201),
  ),
  'keep-picture': onBytes(async ({ app, person, bytes }) =>
    outcomeReply(await keepPicture(app, person, bytes), 201),
  ),
  'whole-plan': onBytes(async ({ app, person }) => {
    if (person.stores !== null) return failureReply({ kind: 'forbidden' });
    const { document, version } = await seenBy(app.book, person);
    return json(document, 200, {
      'content-disposition': 'attachment; filename="plan.json"',
      etag: versionTag(version),
    });
  }),
  'replace-plan': onBytes(async ({ app, person, bytes, type, query, ifMatch }) => {
    const raw = parseJson(bytes, type);
    if (!raw.ok) return failureReply(raw.failure);
    const parsed = parsePlan(raw.value);
    if (!parsed.ok) return failureReply({ kind: 'invalid', faults: parsed.faults });
    const expected = taggedVersion(ifMatch);
    const outcome = await replacePlan(app, person, parsed.document, { dry: query.dry === '1', expected });
    return outcomeReply(outcome);
  }),
} as const;
