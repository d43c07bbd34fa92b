import Joi from 'joi';

/** Rules on goods and places of a plan document, and what all its parts are made of. */
export const id = Joi.string().min(1).max(200);
export const money = Joi.string()
  .max(30)
  .pattern(/^\d+(\.\d+)?$/, 'amount');
/** As many as there are goods or people, at most. */
export const list = (of: Joi.Schema) => Joi.array().items(of);
/**
 * A list that somebody writes: far longer ones than any chain has are slips or traps, and each entry of some is worked
 * through for every day, item or basket.
 */
export const short = (of: Joi.Schema, most: number) => list(of).max(most);
export const MOST = {
  windows: 50,
  daysLeftOut: 1_000,
  tiers: 100,
  parts: 50,
  passes: 100,
  endings: 200,
  within: 2_000,
  words: 2_000,
};
export const itemRule = Joi.object({
  all: Joi.valid(true),
  items: list(id),
  node: id,
  set: id,
  brand: id,
  tag: id,
  attribute: id,
  in: list(Joi.string()),
  regularPrice: Joi.object({ atLeast: money, atMost: money }).or('atLeast', 'atMost'),
  allOf: short(Joi.link('#itemRule'), MOST.within),
  anyOf: short(Joi.link('#itemRule'), MOST.within),
  not: Joi.link('#itemRule'),
})
  .xor('all', 'items', 'node', 'set', 'brand', 'tag', 'attribute', 'regularPrice', 'allOf', 'anyOf', 'not')
  .and('attribute', 'in')
  .id('itemRule');

export const storeRule = Joi.object({
  all: Joi.valid(true),
  stores: list(id),
  group: id,
  zone: id,
  region: id,
  tag: id,
  allOf: short(Joi.link('#storeRule'), MOST.within),
  anyOf: short(Joi.link('#storeRule'), MOST.within),
  not: Joi.link('#storeRule'),
})
  .xor('all', 'stores', 'group', 'zone', 'region', 'tag', 'allOf', 'anyOf', 'not')
  .id('storeRule');
