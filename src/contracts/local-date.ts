import Joi from 'joi';
import { parseLocalDate } from '../core/calendar/index.ts';

/** A day of the calendar, as 2027-12-25 is. */
export const localDate = Joi.string()
  .max(10)
  .custom((text: string, helpers) => (parseLocalDate(text) === null ? helpers.error('any.invalid') : text))
  .messages({ 'any.invalid': 'is no day of the calendar, as 2027-12-25 is' });
