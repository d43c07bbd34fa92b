import Joi from 'joi';
import { PASSWORD_LENGTH } from './password-length.ts';

export interface FirstAdministratorRequest {
  /** As the console shows it where Bell Tag was started. */
  code: string;
  name: string;
  email: string;
  password: string;
}
export const firstAdministratorRequest = Joi.object<FirstAdministratorRequest>({
  code: Joi.string().min(1).max(60).required(),
  name: Joi.string().trim().min(1).max(120).required(),
  email: Joi.string().email({ tlds: false }).max(200).required(),
  password: Joi.string().min(PASSWORD_LENGTH.least).max(PASSWORD_LENGTH.most).required(),
});

export interface BeginChainRequest {
  /** ISO 4217. */
  currency: string;
  store: { id: string; name: string; timeZone: string };
}
export const beginChainRequest = Joi.object<BeginChainRequest>({
  currency: Joi.string().length(3).required(),
  store: Joi.object({
    id: Joi.string().min(1).max(200).required(),
    name: Joi.string().trim().min(1).max(200).required(),
    timeZone: Joi.string().min(1).max(100).required(),
  }).required(),
});
