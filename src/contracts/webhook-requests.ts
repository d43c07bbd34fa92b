import Joi from 'joi';
import { TOLD_EVENTS, type ToldEvent } from './view/telling.ts';

/** An address that is told what happens. */
export interface WebhookRequest {
  url: string;
  events: ToldEvent[];
}
export const webhookRequest = Joi.object<WebhookRequest>({
  url: Joi.string()
    .max(2_000)
    .uri({ scheme: ['https', 'http'] })
    .required(),
  events: Joi.array()
    .items(Joi.valid(...TOLD_EVENTS))
    .unique()
    .min(1)
    .required(),
});

export interface WebhookStepRequest {
  /** Tells it nothing more; or tries now what was not taken yet, what was given up too. */
  step: 'end' | 'try';
}
export const webhookStepRequest = Joi.object<WebhookStepRequest>({
  step: Joi.valid('end', 'try').required(),
});
