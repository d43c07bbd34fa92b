import Joi from 'joi';

/** A use that a till wants for a basket: of a promotion, of one code, or of one shopper; or so many units of it. */
export interface WantedUseSaid {
  key: string;
  promotion: string;
  /** How often it may be used by all receipts together, as the till's price file says. */
  most: number;
  /** The first day of the span in which it counts; absent: it counts once for all. */
  span?: string;
  /** How many units it takes of what is limited in units; absent: it is one use. */
  units?: number;
  /** What the promotion takes off the receipt, in minor units of the chain's currency; absent: not told. */
  worth?: number;
}

const id = Joi.string().min(1).max(200);
const uses = Joi.array()
  .items(
    Joi.object<WantedUseSaid>({
      key: Joi.string().min(1).max(440).required(),
      promotion: id.required(),
      span: Joi.string().pattern(/^\d{4}-\d{2}-\d{2}$/, 'day such as 2027-03-01'),
      most: Joi.number().integer().min(1).max(1_000_000_000).required(),
      units: Joi.number().integer().min(1).max(1_000_000),
      worth: Joi.number().integer().min(0).max(1_000_000_000),
    }),
  )
  .unique((a: WantedUseSaid, b: WantedUseSaid) => a.key === b.key && a.span === b.span)
  .max(500)
  .required();

/** What a basket would use if it were paid now. */
export interface HoldUsesRequest {
  uses: WantedUseSaid[];
}
export const holdUsesRequest = Joi.object<HoldUsesRequest>({ uses });

/** Before the number of a card in the place of somebody's number: the till was cut off, and nobody told whose it is. */
export const OF_CARD = 'card:';

/** Whom a receipt was closed for, by number or card, and what it came to in minor units. */
export interface PaidBy {
  id: string;
  paid: number;
}

/** What a receipt used. */
export interface TakeUsesRequest {
  uses: WantedUseSaid[];
  /** When it was paid by the till's clock, ISO 8601 UTC. */
  at: string;
  /** Absent: somebody who is not known. */
  shopper?: PaidBy;
}
export const takeUsesRequest = Joi.object<TakeUsesRequest>({
  uses,
  shopper: Joi.object<PaidBy>({
    id: id.required(),
    paid: Joi.number().integer().min(0).max(1_000_000_000_000).required(),
  }),
  at: Joi.string().isoDate().pattern(/Z$/, 'moment in UTC, such as 2027-03-01T09:00:00Z').required(),
});

/** What is used up, and how often it was used by others or is kept for them; what is not here is kept for the basket. */
export interface HeldUses {
  usedUp: Record<string, number>;
}

/** A basket as a till names it. */
export const BASKET_NAME = /^[\w-]{8,64}$/;
