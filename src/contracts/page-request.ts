import Joi from 'joi';

/** A stretch of a list, as an address says it. */
export interface PageRequest {
  /** How many are passed over. */
  offset?: string;
  /** How many come back at most; absent: all that are left. */
  limit?: string;
}
export const pageFields = {
  offset: Joi.string().pattern(/^\d{1,7}$/, 'whole number'),
  limit: Joi.string().pattern(/^([1-9]\d?|[1-4]\d\d|500)$/, 'number from 1 to 500'),
};
