import Joi from 'joi';
import { TABLES, type TableName } from './table/index.ts';
import { TRAIL_PARTS, type TrailPart } from './view/history.ts';

const id = Joi.string().min(1).max(200);

/** Which part of the trail; what is absent is not asked. */
export interface TrailRequest {
  part?: TrailPart;
  promotion?: string;
  /** With its prices, its lists and its sets. */
  item?: string;
  table?: TableName;
  /** The id of a row of that table. */
  entry?: string;
  by?: string;
  /** A day: what was done until its end. */
  until?: string;
  /** Entries with a smaller number. */
  before?: number;
}
export const trailRequest = Joi.object<TrailRequest>({
  part: Joi.valid(...TRAIL_PARTS),
  promotion: id,
  item: id,
  table: Joi.valid(...TABLES),
  entry: id,
  by: id,
  until: Joi.string().pattern(/^\d{4}-\d{2}-\d{2}$/, 'day'),
  before: Joi.number().integer().min(1).max(2_147_483_647),
});

/** What a till rang for an item. */
export interface RungRequest {
  terminal: string;
  item: string;
  /** Wall time at its store, with a UTC offset where it happens twice; absent: now. */
  at?: string;
  /** A shopper group's id; absent: a guest. */
  group?: string;
}
export const rungRequest = Joi.object<RungRequest>({
  terminal: id.required(),
  item: id.required(),
  at: Joi.string().max(60),
  group: id,
});
