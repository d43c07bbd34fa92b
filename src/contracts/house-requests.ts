import Joi from 'joi';
import { WEEKDAYS } from '../core/calendar/index.ts';
import type { HouseRules } from '../core/house-rules/index.ts';
import { localDate } from './local-date.ts';

/** Ten years are the longest that a rule can mean; more shut days than these no chain has. */
const MOST_DAYS = 3_660;
const MOST_SHUT_DAYS = 300;

/** What the chain asks of its promotions, all of it at once. */
const houseRules = {
  notEndingOn: Joi.array()
    .items(Joi.valid(...WEEKDAYS))
    .unique()
    .max(WEEKDAYS.length)
    .required(),
  longest: Joi.number().integer().min(1).max(MOST_DAYS).allow(null).required(),
  secondFrom: Joi.number().integer().min(0).max(10_000).allow(null).required(),
  shutDays: Joi.array()
    .items(Joi.object({ day: localDate.required(), name: Joi.string().min(1).max(100).required() }))
    .unique('day')
    .max(MOST_SHUT_DAYS)
    .required(),
};

export interface HouseRulesRequest extends HouseRules {
  /** As they were opened: what somebody else changed since stays. Absent: all of them are set as they are said. */
  was?: HouseRules;
}
export const houseRulesRequest = Joi.object<HouseRulesRequest>({
  ...houseRules,
  was: Joi.object<HouseRules>(houseRules),
});

export interface ChainRequest {
  name: string;
  priceChanges: 'priority' | 'lowest';
  baskets: 'best' | 'priority';
  /** Basis points of the price; null: none. */
  marginFloor: number | null;
  /** The version of the plan that was looked at. */
  planVersion: number;
  /** Only tells what it would do. */
  dry?: boolean;
}
/** How the prices of the whole chain come about. */
export const chainRequest = Joi.object<ChainRequest>({
  name: Joi.string().min(1).max(200).required(),
  priceChanges: Joi.valid('priority', 'lowest').required(),
  baskets: Joi.valid('best', 'priority').required(),
  marginFloor: Joi.number().integer().min(0).max(10_000).allow(null).required(),
  planVersion: Joi.number().integer().min(1).max(Number.MAX_SAFE_INTEGER).required(),
  dry: Joi.boolean(),
});
