import Joi from 'joi';
import { KEY_SCOPES, type KeyScope } from './view/roles.ts';

/** What an administrator says of a key for another program. */
export interface KeyRequest {
  name: string;
  scopes: KeyScope[];
  /** Whether it is told costs and margins. */
  costs: boolean;
  /** Ids of the stores that it sees, where it only looks; none: all. */
  stores: string[];
  /** The last day on which it is good, UTC; null: as long as it is not taken. */
  until: string | null;
}
export const keyRequest = Joi.object<KeyRequest>({
  name: Joi.string().trim().min(1).max(120).required(),
  scopes: Joi.array()
    .items(Joi.valid(...KEY_SCOPES))
    .unique()
    .has('see')
    .required(),
  costs: Joi.boolean().strict().required(),
  stores: Joi.array().items(Joi.string().min(1).max(200)).unique().max(20_000).required(),
  until: Joi.string().length(10).allow(null).required(),
});

export interface KeyStepRequest {
  /** Makes another key for it, which counts from then on; or takes it. */
  step: 'replace' | 'take';
}
export const keyStepRequest = Joi.object<KeyStepRequest>({
  step: Joi.valid('replace', 'take').required(),
});
