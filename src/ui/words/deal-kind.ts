import type { OfferKind } from '../../core/plan/index.ts';
import { OFFER_NAMES } from '../../core/sentence/index.ts';

/** Every kind of promotion that can be begun, in the order in which they are offered. */
export const DEAL_KINDS = OFFER_NAMES;

export type DealKind = OfferKind;
export const isDealKind = (text: string | null): text is DealKind =>
  text !== null && Object.hasOwn(DEAL_KINDS, text);
