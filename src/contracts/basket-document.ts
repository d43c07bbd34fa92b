import Joi from 'joi';
import type { CompiledPlan } from '../core/price-book/index.ts';
import type { BasketDocument } from '../core/receipt/index.ts';
import { type ReadBasket, readBasket } from '../core/receipt/index.ts';
import { shape } from './shape.ts';

const text = Joi.string().min(1).max(200);
const amount = Joi.string().pattern(/^\d+(\.\d+)?$/, 'amount');
const count = Joi.number().integer().min(0).max(1_000_000_000);

/** Far more than any till rings; a basket of so many is answered in seconds. */
const MOST_UNITS = 20_000;

/** The shape of a basket (docs/plan-format.md). What it names and how much it counts is looked at by the core. */
export const basketSchema: Joi.ObjectSchema<BasketDocument> = Joi.object({
  id: Joi.string().allow('').max(200),
  store: text.required(),
  at: text.required(),
  channel: text,
  terminal: text,
  shopper: Joi.alternatives().conditional(Joi.string(), {
    then: text,
    otherwise: Joi.object({
      id: text,
      groups: Joi.array().items(text).max(1_000),
      pastOrders: count,
      lifetimeSpend: amount,
    }),
  }),
  codes: Joi.array().items(text).max(100),
  usesSoFar: Joi.object()
    .pattern(/^[\s\S]+$/, count)
    .max(10_000),
  payment: text,
  delivery: Joi.object({ way: text.required(), charge: amount.required() }),
  region: text,
  postcode: Joi.string().allow('').max(200),
  linkTag: text,
  lines: Joi.array()
    .items(
      Joi.object({
        sku: text.required(),
        quantity: Joi.alternatives(Joi.number(), Joi.string().max(20)).required(),
      }),
    )
    .required(),
});

/** From anything to a basket that can be rung: shape first, then sense. */
export function parseBasket(raw: unknown, compiled: CompiledPlan): ReadBasket {
  const shaped = shape(basketSchema, raw);
  if (!shaped.ok) return { ok: false, faults: shaped.faults };
  const read = readBasket(shaped.value, compiled);
  const units = read.ok ? read.basket.lines.reduce((sum, { thousandths }) => sum + thousandths / 1000, 0) : 0;
  return units > MOST_UNITS
    ? {
        ok: false,
        faults: [{ path: ['lines'], what: `${units} units stand in it`, wanted: `at most ${MOST_UNITS}` }],
      }
    : read;
}
