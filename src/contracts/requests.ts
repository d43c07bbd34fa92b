import Joi from 'joi';
import { WEEKDAYS } from '../core/calendar/index.ts';
import { FINDING_CODES } from '../core/overlaps/index.ts';
import { PROMOTION_STATUSES, type PromotionDocument, type PromotionStatus } from '../core/plan/index.ts';
import { pageFields } from './page-request.ts';
import type { Cells } from './table/index.ts';
import type { CheckedBasketDocument, CheckMoment } from './view/basket-check.ts';
import { MANY_ACTIONS, type ManyAction } from './view/life.ts';
import type { AcceptFindingRequest } from './view/plan-finding.ts';
import { AROUNDS, type Around } from './view/replies.ts';

const id = Joi.string().min(1).max(200);
/** As far as a whole number of the database goes. */
const INT = 2_147_483_647;
const moment = Joi.string().max(60);

/** Where, when and for whom a price is asked; the lens of every page. */
export interface PriceRequest {
  store: string;
  item: string;
  /** Wall time at the store, with a UTC offset where it happens twice. */
  at: string;
  group?: string;
  known?: string;
  /** Which steps to tell; absent: the week before and after. */
  around?: Around;
}
export const priceRequest = Joi.object<PriceRequest>({
  store: id.required(),
  item: id.required(),
  at: moment.required(),
  group: id,
  known: moment,
  around: Joi.valid(...AROUNDS),
});

export interface PriceAcrossRequest {
  item: string;
  /** Wall time, the same at every store. */
  at: string;
  group?: string;
  known?: string;
  /** Ids of stores with commas between; absent: all. */
  stores?: string;
}
export const priceAcrossRequest = Joi.object<PriceAcrossRequest>({
  item: id.required(),
  at: moment.required(),
  group: id,
  known: moment,
  stores: Joi.string().max(20_000),
});

export interface SavePromotionRequest {
  promotion: PromotionDocument;
  /** The revision that was opened; absent for a new one. */
  revision?: number;
}
/** The promotion inside is tested by its own schema, so that its faults have its own paths. */
export const savePromotionRequest = Joi.object<SavePromotionRequest>({
  promotion: Joi.object().unknown().required(),
  revision: Joi.number().integer().min(1).max(INT),
});

export interface StatusRequest {
  status: PromotionStatus;
  revision: number;
}
export const statusRequest = Joi.object<StatusRequest>({
  status: Joi.valid(...PROMOTION_STATUSES).required(),
  revision: Joi.number().integer().min(1).max(INT).required(),
});

export interface PreviewRequest {
  promotion: PromotionDocument;
  store?: string;
}
export const previewRequest = Joi.object<PreviewRequest>({
  promotion: Joi.object().unknown().required(),
  store: id,
});

export interface DealPreviewRequest extends PreviewRequest {
  /** The trial basket; absent: one that shows what the deal does. */
  lines?: { sku: string; quantity: string }[];
}
/** The promotion inside is a deal over the basket. */
export const dealPreviewRequest = Joi.object<DealPreviewRequest>({
  promotion: Joi.object().unknown().required(),
  store: id,
  lines: Joi.array()
    .items(Joi.object({ sku: id.required(), quantity: Joi.string().max(20).required() }))
    .max(200),
});

/** The promotion inside is a price change with a worksheet. */
export const worksheetRequest = previewRequest;

export interface RepriceRequest {
  /** The day from which on the prices count. */
  since: string;
  scope: { kind: 'chain' | 'zones' | 'stores' | 'every'; ids?: string[] };
  fresh?: boolean;
  carry?: boolean;
  worksheet: object;
}
export const repriceRequest = Joi.object<RepriceRequest>({
  since: Joi.string().max(20).required(),
  scope: Joi.alternatives(
    Joi.object({ kind: Joi.valid('chain', 'every').required() }),
    Joi.object({
      kind: Joi.valid('zones', 'stores').required(),
      ids: Joi.array().items(id).max(20_000).required(),
    }),
  ).required(),
  fresh: Joi.boolean(),
  carry: Joi.boolean(),
  worksheet: Joi.object().unknown().required(),
});

export interface SignInRequest {
  email: string;
  password: string;
}
export const signInRequest = Joi.object<SignInRequest>({
  email: Joi.string().max(320).email({ tlds: false }).required(),
  password: Joi.string().min(1).max(200).required(),
});

export interface TerminalReport {
  /** The number of the price file in force; null: none yet. */
  holds: number | null;
  heldSince: string | null;
  /** The terminal's own clock, ISO 8601 UTC. */
  clock: string;
  problem: string | null;
}
export const terminalReport = Joi.object<TerminalReport>({
  holds: Joi.number().integer().min(1).allow(null).required(),
  heldSince: Joi.string().max(60).isoDate().allow(null).required(),
  clock: Joi.string().max(60).isoDate().required(),
  problem: Joi.string().max(500).allow(null).required(),
});

const cells = Joi.object<Cells>()
  .pattern(/^[\s\S]{0,200}$/, Joi.string().allow('').max(20_000))
  .max(100);

export interface StockroomEditRequest {
  edits: { key: string | null; cells: Cells; was?: Cells }[];
  drops: string[];
  /** New rows whose keys are there already change those rows. */
  overwrite?: boolean;
}
export const stockroomEditRequest = Joi.object<StockroomEditRequest>({
  edits: Joi.array()
    .items(
      Joi.object({ key: Joi.string().max(1000).allow(null).required(), cells: cells.required(), was: cells }),
    )
    .max(20_000)
    .required(),
  drops: Joi.array().items(Joi.string().max(1000)).max(20_000).required(),
  overwrite: Joi.boolean(),
});

export interface BrowseRequest {
  q?: string;
  sort?: string;
  desc?: '1';
  offset?: string;
  limit?: string;
  /** A rule on items, as JSON. */
  rule?: string;
  /** Only what the store carries. */
  carried?: '1';
  store?: string;
  at?: string;
}
export const browseRequest = Joi.object<BrowseRequest>({
  q: Joi.string().max(200).allow(''),
  sort: Joi.string().max(40),
  desc: Joi.valid('1'),
  ...pageFields,
  rule: Joi.string().max(100_000),
  carried: Joi.valid('1'),
  store: id,
  at: moment,
});

export interface SelectionRequest {
  of: 'items' | 'stores';
  rule: object;
  text?: string;
  store?: string;
  at?: string;
}
export const selectionRequest = Joi.object<SelectionRequest>({
  of: Joi.valid('items', 'stores').required(),
  rule: Joi.object().unknown().required(),
  text: Joi.string().max(200).allow(''),
  store: id,
  at: moment,
});

export interface PutEntryRequest {
  entry: object;
  /** As it was opened; null: a new one. */
  was: object | null;
}
/** The entry inside is tested by its own schema. */
export const putEntryRequest = Joi.object<PutEntryRequest>({
  entry: Joi.object().unknown().required(),
  was: Joi.object().unknown().allow(null).required(),
});

export interface KeepDraftRequest {
  draft: object;
  revision?: number | null;
}
export const keepDraftRequest = Joi.object<KeepDraftRequest>({
  draft: Joi.object().unknown().required(),
  revision: Joi.number().integer().min(1).max(INT).allow(null),
});

export interface TemplateRequest {
  name: string;
  promotion: object;
}
export const templateRequest = Joi.object<TemplateRequest>({
  name: Joi.string().max(200).required(),
  promotion: Joi.object().unknown().required(),
});

export interface ManyPromotionsRequest {
  ids: string[];
  action: ManyAction;
  /** How far to move or copy. */
  days?: number;
  store: string;
  dry?: boolean;
}
export const manyRequest = Joi.object<ManyPromotionsRequest>({
  ids: Joi.array().items(id).min(1).max(500).unique().required(),
  action: Joi.valid(...MANY_ACTIONS).required(),
  days: Joi.number().integer().min(-3660).max(3660),
  store: id.required(),
  dry: Joi.boolean(),
});

/** Takes an action on many promotions back; `days` as they were moved. */
export const undoManyRequest = Joi.object<Omit<ManyPromotionsRequest, 'dry'>>({
  ids: Joi.array().items(id).min(1).max(500).unique().required(),
  action: Joi.valid(...MANY_ACTIONS).required(),
  days: Joi.number().integer().min(-3660).max(3660),
  store: id.required(),
});

export interface FileRequest {
  kind: 'csv' | 'xlsx' | 'json';
  /** Only what matches. */
  q?: string;
}
export const fileRequest = Joi.object<FileRequest>({
  kind: Joi.valid('csv', 'xlsx', 'json').required(),
  q: Joi.string().max(200).allow(''),
});

export interface WriteFileRequest {
  name: string;
  kind: 'csv' | 'xlsx' | 'json';
  columns: { field: string; title: string; kind: 'text' | 'amount' | 'date' | 'list' | 'percent' }[];
  rows: Cells[];
}
export const writeFileRequest = Joi.object<WriteFileRequest>({
  name: Joi.string()
    .pattern(/^[\w-]{1,80}$/, 'name of a file')
    .required(),
  kind: Joi.valid('csv', 'xlsx', 'json').required(),
  columns: Joi.array()
    .items(
      Joi.object({
        field: Joi.string().max(200).required(),
        title: Joi.string().max(300).required(),
        kind: Joi.valid('text', 'amount', 'date', 'list', 'percent').required(),
      }),
    )
    .min(1)
    .max(50)
    .required(),
  rows: Joi.array().items(cells).max(200_000).required(),
});

export interface BasketCheckRequest {
  name: string;
  /** A basket of the open format, without its moment. */
  basket: CheckedBasketDocument;
  moment: CheckMoment;
  atMost?: string;
  atLeast?: string;
}
const amountText = Joi.string()
  .max(30)
  .pattern(/^\d+(\.\d+)?$/, 'amount');
/** The basket inside is looked at by its own schema, so that its faults have its own paths. */
const whichFinding = {
  code: Joi.valid(...FINDING_CODES).required(),
  promotions: Joi.array().items(Joi.string().min(1).max(200)).min(1).max(20).required(),
  part: Joi.object({
    kind: Joi.valid('tier', 'part', 'limit').required(),
    at: Joi.number().min(0).required(),
  })
    .allow(null)
    .required(),
};

export const whichFindingRequest =
  Joi.object<Pick<AcceptFindingRequest, 'code' | 'promotions' | 'part'>>(whichFinding);

export const acceptFindingRequest = Joi.object<AcceptFindingRequest>({
  ...whichFinding,
  about: Joi.string().min(1).max(200).required(),
  reason: Joi.string().trim().min(1).max(500).required(),
});

export const basketCheckRequest = Joi.object<BasketCheckRequest>({
  name: Joi.string().trim().min(1).max(200).required(),
  basket: Joi.object().unknown().required(),
  moment: Joi.alternatives(
    Joi.object({ at: moment.required() }),
    Joi.object({
      next: Joi.valid(...WEEKDAYS).required(),
      time: Joi.string()
        .pattern(/^([01]\d|2[0-3]):[0-5]\d$/, 'time of day')
        .required(),
    }),
  ).required(),
  atMost: amountText,
  atLeast: amountText,
}).or('atMost', 'atLeast');
