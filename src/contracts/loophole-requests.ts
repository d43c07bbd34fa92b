import Joi from 'joi';

const id = Joi.string().min(1).max(200);
const moment = Joi.string().max(60).required();
/** More codes than this nobody holds at once. */
const MOST_CODES = 4;
const MOST_UNITS = 24;

/** In which stores a search would come to the same. */
export interface LoopholeCasesRequest {
  /** Wall time, in each store its own. */
  at: string;
  /** A store's id, or "group:" and a store group's; absent: all stores. */
  where?: string;
  /** A shopper group's id; absent: a guest. */
  for?: string;
  /** The moment as known on which; with its offset. */
  known?: string;
}
const known = Joi.string().max(60);
export const loopholeCasesRequest = Joi.object<LoopholeCasesRequest>({
  at: moment,
  where: id,
  for: id,
  known,
});

/** The basket that leaves the least in one store. */
export interface LoopholesRequest {
  at: string;
  store: string;
  for?: string;
  /** Codes that may be held, with spaces between them. */
  codes?: string;
  /** A whole number. */
  units: string;
  /** As above. */
  known?: string;
}
export const loopholesRequest = Joi.object<LoopholesRequest>({
  at: moment,
  known,
  store: id.required(),
  for: id,
  codes: Joi.string()
    .max(400)
    .custom((text: string, helpers) =>
      text.split(' ').length > MOST_CODES ? helpers.error('any.invalid') : text,
    )
    .messages({ 'any.invalid': `more than ${MOST_CODES} codes` }),
  units: Joi.string()
    .pattern(/^\d{1,2}$/)
    .custom((text: string, helpers) =>
      Number(text) < 1 || Number(text) > MOST_UNITS ? helpers.error('any.only') : text,
    )
    .messages({ 'any.only': `a number from 1 to ${MOST_UNITS}` })
    .required(),
});
