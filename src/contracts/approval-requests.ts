import Joi from 'joi';
import { localDate } from './local-date.ts';
import type { SecondStepDemand } from './second-step-demand.ts';

/** What is asked on the way to approval. */
const revision = Joi.number().integer().min(1).max(2_147_483_647).required();

export const PROMOTION_STEPS = ['submit', 'take-back', 'approve', 'send-back', 'drop'] as const;
export type PromotionStep = (typeof PROMOTION_STEPS)[number];

export interface StepRequest {
  step: PromotionStep;
  reason?: string;
  revision: number;
}
export const stepRequest = Joi.object<StepRequest>({
  step: Joi.valid(...PROMOTION_STEPS).required(),
  reason: Joi.string().allow('').max(2_000),
  revision,
});

export interface DecideRequest {
  step: 'approve' | 'send-back' | 'drop';
  reason?: string;
}
export const decideRequest = Joi.object<DecideRequest>({
  step: Joi.valid('approve', 'send-back', 'drop').required(),
  reason: Joi.string().allow('').max(2_000),
});

export interface WorkRulesRequest {
  another?: boolean;
  stockroom?: boolean;
  tagsTellLowest?: boolean;
  secondStep?: SecondStepDemand | null;
}
/** What is not named stays. */
export const workRulesRequest = Joi.object<WorkRulesRequest>({
  another: Joi.boolean(),
  stockroom: Joi.boolean(),
  tagsTellLowest: Joi.boolean(),
  secondStep: Joi.object<SecondStepDemand>({
    of: Joi.valid('administrators', 'everybody').required(),
    from: localDate.required(),
  }).allow(null),
}).min(1);
