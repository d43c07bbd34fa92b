import Joi from 'joi';
import { hasCardCheckDigit, normalCard } from '../core/cards/index.ts';

const id = Joi.string().min(1).max(200);
export const personName = Joi.string().trim().min(1).max(120);
export const personEmail = Joi.string().trim().email({ tlds: false }).max(200);
/** What is no number of digits has no check digit to go by. */
export const personCard = Joi.string()
  .trim()
  .max(40)
  .custom((text: string, helpers) => {
    const number = normalCard(text);
    if (number.length < 6) return helpers.error('card.short');
    return /^\d+$/.test(number) && !hasCardCheckDigit(number) ? helpers.error('card.mistyped') : number;
  })
  .messages({
    'card.short': '{#label} is too short',
    'card.mistyped': '{#label} is mistyped',
  });

/** What is said of somebody; what is not said is not kept. */
export interface ShopperRequest {
  name: string | null;
  email: string | null;
  /** Kinds of shopper that they are of. */
  groups: string[];
}
const said = {
  name: personName.allow(null).required(),
  email: personEmail.allow(null).required(),
  groups: Joi.array().items(id).unique().max(100).required(),
};
export const shopperRequest = Joi.object<ShopperRequest>(said);

export interface NewShopperRequest extends ShopperRequest {
  /** A card that they hold already; null: they are given a number. */
  card: string | null;
}
export const newShopperRequest = Joi.object<NewShopperRequest>({
  ...said,
  card: personCard.allow(null).required(),
});

/** A card that somebody holds; null: one is drawn for them. */
export const cardRequest = Joi.object<{ card: string | null }>({ card: personCard.allow(null).required() });

/** A name, a number or a card. */
export const findShoppersRequest = Joi.object<{ text: string }>({
  text: Joi.string().trim().min(1).max(120).required(),
});

/** Terms of somebody's own; null: none. */
export interface TermsRequest {
  account: string | null;
  priceList: string | null;
}
export const termsRequest = Joi.object<TermsRequest>({
  account: id.allow(null).required(),
  priceList: id.allow(null).required(),
});

export interface JoinRequestSaid {
  group: string;
  name: string;
  email: string;
  /** What they say for themselves. */
  word: string;
}
export const joinRequest = Joi.object<JoinRequestSaid>({
  group: id.required(),
  name: personName.required(),
  email: personEmail.required(),
  word: Joi.string().trim().allow('').max(500).required(),
});

/** The code out of the letter. */
export const proofRequest = Joi.object<{ email: string; code: string }>({
  email: personEmail.required(),
  code: Joi.string().trim().min(1).max(20).required(),
});

export interface JoinAnswerRequest {
  answer: 'let-in' | 'refused';
  /** What they are told with it. */
  word: string;
}
export const joinAnswerRequest = Joi.object<JoinAnswerRequest>({
  answer: Joi.valid('let-in', 'refused').required(),
  word: Joi.string().trim().allow('').max(500).required(),
});

/** A card that is held out at a till. */
export const cardAtTillRequest = Joi.object<{ card: string }>({
  card: Joi.string().trim().min(1).max(40).required(),
});

/** Whose card it is, as a till needs it to ring; null: nobody's. */
export interface CardVouched {
  shopper: { id: string; groups: string[]; pastOrders: number; lifetimeSpend: string } | null;
  /** Milliseconds to wait, as too many wrong ones were tried; 0: it was looked. */
  wait: number;
}
