import Joi from 'joi';
import { TIMELINE_SPANS, type TimelineSpan } from './view/timeline.ts';

const id = Joi.string().min(1).max(200);

/** The prices of an item across stores, or of a group of goods in one store, over time. */
export interface TimelineRequest {
  item?: string;
  /** A place in the hierarchy of goods. */
  node?: string;
  /** Wall time: what is drawn lies around it. */
  at: string;
  /** A store's id, or "group:" and a store group's; absent: all stores, or of a group of goods the first. */
  where?: string;
  /** A shopper group's id; absent: a guest. */
  for?: string;
  /** The moment as known on which; with its offset. */
  known?: string;
  span?: TimelineSpan;
}
export const timelineRequest = Joi.object<TimelineRequest>({
  item: id,
  node: id,
  at: Joi.string().max(60).required(),
  where: id,
  for: id,
  known: Joi.string().max(60),
  span: Joi.valid(...TIMELINE_SPANS),
}).xor('item', 'node');
