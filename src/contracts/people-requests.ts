import Joi from 'joi';
import { isGuessed } from './guessed-password.ts';
import { PASSWORD_LENGTH } from './password-length.ts';
import { ROLES, type Role } from './view/roles.ts';

const password = Joi.string()
  .min(PASSWORD_LENGTH.least)
  .max(PASSWORD_LENGTH.most)
  .custom((text: string, helpers) => (isGuessed(text) ? helpers.error('password.guessed') : text))
  .required();
const id = Joi.string().min(1).max(200);
const email = Joi.string().email({ tlds: false }).max(200).required();

/** What an administrator says of somebody. */
export interface PersonRequest {
  name: string;
  role: Role;
  /** Whether they are shown costs and margins. */
  costs: boolean;
  /** Of the role `store`: ids of the stores that they see; else none. */
  stores: string[];
  /** Of who plans or approves: ids of the departments whose goods alone they may change; absent: all. */
  goods?: string[];
}
const said = {
  name: Joi.string().trim().min(1).max(120).required(),
  role: Joi.string()
    .valid(...Object.keys(ROLES))
    .required(),
  costs: Joi.boolean().strict().required(),
  stores: Joi.array().items(id).unique().max(20_000).required(),
  goods: Joi.array().items(id).unique().min(1).max(1_000),
};
export const personRequest = Joi.object<PersonRequest>(said);

export interface InviteRequest extends PersonRequest {
  email: string;
}
export const inviteRequest = Joi.object<InviteRequest>({ ...said, email });

export interface PersonStepRequest {
  /**
   * Lets them in no more, or again; sends a link by which they set a password; signs them out everywhere; or takes away
   * the second step of a sign-in from who lost their device.
   */
  step: 'end' | 'return' | 'link' | 'sign-out' | 'one-step';
}
export const personStepRequest = Joi.object<PersonStepRequest>({
  step: Joi.string().valid('end', 'return', 'link', 'sign-out', 'one-step').required(),
});

export interface PasswordRequest {
  /** Out of the link of a letter. */
  token: string;
  password: string;
}
export const passwordRequest = Joi.object<PasswordRequest>({
  token: Joi.string().min(1).max(200).required(),
  password,
});

export const forgottenRequest = Joi.object<{ email: string }>({ email });

/** Where somebody signs themselves out: at one place, or everywhere but here. */
export interface EndSessionsRequest {
  id?: string;
  others?: true;
}
export const endSessionsRequest = Joi.object<EndSessionsRequest>({
  id,
  others: Joi.valid(true),
}).xor('id', 'others');

export interface NewPasswordRequest {
  /** The one that holds until then. */
  current: string;
  password: string;
}
export const newPasswordRequest = Joi.object<NewPasswordRequest>({
  current: Joi.string().min(1).max(PASSWORD_LENGTH.most).required(),
  password,
});

/** One's own password, for what is done only by who knows it. */
export const ownPasswordRequest = Joi.object<{ password: string }>({
  password: Joi.string().min(1).max(PASSWORD_LENGTH.most).required(),
});

/** A code of a device, or one of those for a lost device. */
export const codeRequest = Joi.object<{ code: string }>({
  code: Joi.string().trim().min(6).max(40).required(),
});
