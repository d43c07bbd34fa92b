import { CHECK_ENDPOINTS } from './check-endpoints.ts';
import { CODE_ENDPOINTS } from './code-endpoints.ts';
import { PLAN_ENDPOINTS } from './plan-endpoints.ts';
import { SEND_ENDPOINTS } from './send-endpoints.ts';
import { SHELF_ENDPOINTS } from './shelf-endpoints.ts';
import { SHOPPER_ENDPOINTS } from './shopper-endpoints.ts';
import { STOCKROOM_ENDPOINTS } from './stockroom-endpoints.ts';

/** Every endpoint whose answer may take longer than a serving thread may be held. */
export const HEAVY_ENDPOINTS = {
  ...PLAN_ENDPOINTS,
  ...CHECK_ENDPOINTS,
  ...CODE_ENDPOINTS,
  ...SHOPPER_ENDPOINTS,
  ...STOCKROOM_ENDPOINTS,
  ...SEND_ENDPOINTS,
  ...SHELF_ENDPOINTS,
} as const;

export type HeavyEndpoint = keyof typeof HEAVY_ENDPOINTS;
