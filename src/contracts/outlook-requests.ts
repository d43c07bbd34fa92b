import Joi from 'joi';

/** What is taken to be so; whole numbers. */
export interface AssumedRequest {
  /** Units of an item that a store sells in a week, in hundredths. */
  unitsAWeek: number;
  unitsOf?: Record<string, number>;
  /** So many more of what gets cheaper, in basis points; or the power to which units go as the price, in hundredths. */
  demand: { kind: 'uplift'; by: number } | { kind: 'elasticity'; of: number };
  upliftOf?: Record<string, number>;
  /** Basis points. */
  fromOthers: number;
  takeUp: number;
}

const count = (most: number) => Joi.number().integer().min(0).max(most).required();
const bySku = (least: number, most: number) =>
  Joi.object()
    .pattern(/^[\s\S]{0,200}$/, Joi.number().integer().min(least).max(most))
    .max(2_000);
const demand = Joi.alternatives(
  Joi.object({ kind: Joi.valid('uplift').required(), by: count(100_000) }),
  Joi.object({
    kind: Joi.valid('elasticity').required(),
    of: Joi.number().integer().min(-1_000).max(0).required(),
  }),
);
export const assumedSchema = Joi.object<AssumedRequest>({
  unitsAWeek: count(10_000_000),
  unitsOf: bySku(0, 10_000_000),
  demand: demand.required(),
  upliftOf: bySku(-10_000, 100_000),
  fromOthers: count(10_000),
  takeUp: count(10_000),
});

/** What a draft would do to units, takings and margin, by day. */
export interface OutlookRequest {
  promotion: unknown;
  assumed: AssumedRequest;
}
export const outlookRequest = Joi.object<OutlookRequest>({
  promotion: Joi.object().unknown().required(),
  assumed: assumedSchema.required(),
});

/** What all promotions of a week would do, by department. */
export interface WeekRequest {
  /** Wall time: the week is the one from that day on. */
  at: string;
  /** A store's id, or "group:" and a store group's; absent: all stores. */
  where?: string;
  assumed: AssumedRequest;
}
export const weekRequest = Joi.object<WeekRequest>({
  at: Joi.string().max(60).required(),
  where: Joi.string().min(1).max(200),
  assumed: assumedSchema.required(),
});
