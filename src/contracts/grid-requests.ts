import Joi from 'joi';
import { AGAINSTS, type Against } from './view/grid.ts';

const id = Joi.string().min(1).max(200);
const moment = Joi.string().max(60);

/** Which goods of which stores, seen how, and what their prices are held against. */
export interface GridQuestion {
  /** Wall time, at each store by its own clock. */
  at: string;
  /** A store's id, or "group:" and a store group's; absent: all stores. */
  where?: string;
  /** A shopper group's id; absent: a guest. */
  for?: string;
  /** The moment as known on which; with its offset. */
  known?: string;
  /** A place in the hierarchy of goods. */
  node?: string;
  q?: string;
  against?: Against;
  /** The other wall time, the moment as known on which, the other store, promotion or shopper group; of the last, absent is a guest. */
  other?: string;
  changed?: '1';
}
const gridQuestion = {
  at: moment.required(),
  where: id,
  for: id,
  known: moment,
  node: id,
  q: Joi.string().max(200).allow(''),
  against: Joi.valid(...AGAINSTS),
  other: id,
  changed: Joi.valid('1'),
};

export interface GridRequest extends GridQuestion {
  /** The first row and column that are wanted; absent: the first of all. */
  row?: string;
  column?: string;
}
const place = Joi.string().pattern(/^\d{1,7}$/, 'whole number');
export const gridRequest = Joi.object<GridRequest>({ ...gridQuestion, row: place, column: place });

export interface GridFileRequest extends GridQuestion {
  kind: 'csv' | 'xlsx';
}
export const gridFileRequest = Joi.object<GridFileRequest>({
  ...gridQuestion,
  kind: Joi.valid('csv', 'xlsx').required(),
});
