import Joi from 'joi';
import { type PlanDocument, PROMOTION_STATUSES, USE_SPANS } from '../core/plan/index.ts';
import { id, itemRule, list, MOST, money, short, storeRule } from './plan-rules.ts';

/**
 * The shape of a plan document (docs/plan-format.md). Names, times and amounts are looked at further by the core's
 * `checkPlan`; here stands what is a string, a whole number, a choice, and which keys there are.
 */
const basisPoints = Joi.number().integer().min(0).max(10_000);
const whole = Joi.number().integer().min(1).max(1_000_000);
const count = Joi.number().integer().min(0).max(1_000_000_000);
const weight = Joi.string().pattern(/^\d{1,6}(\.\d{1,3})?$/, 'weight in kg');
const anyKey = /^[\s\S]+$/;
const texts = Joi.object().pattern(anyKey, Joi.string().allow(''));
const amounts = Joi.object().pattern(anyKey, money);
/** Exactly one of zone and store: the core says so, where it stands. */
const amountsIn = Joi.array().items(Joi.object({ zone: id, store: id, prices: amounts.required() }));
const moment = Joi.string().max(40);

/** Exactly one of these keys. */
const oneKey = (keys: Record<string, Joi.Schema>) => Joi.object(keys).xor(...Object.keys(keys));

const mode = Joi.valid('nearest', 'up', 'down').required();
const rounding = Joi.object({ step: money, endings: short(money, MOST.endings).min(1), per: money, mode })
  .xor('step', 'endings')
  .without('step', 'per');

const windows = short(
  Joi.object({
    days: short(Joi.valid('mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'), 7),
    from: moment.required(),
    to: moment.required(),
  }),
  MOST.windows,
);

const when = Joi.object({
  from: moment.required(),
  to: moment,
  windows,
  repeat: Joi.object({ rrule: Joi.string().max(500).required(), duration: moment.required() }),
  except: short(moment, MOST.daysLeftOut),
});

const valueKeys = {
  percentOff: basisPoints,
  amountOff: money,
  amountOffEach: money,
  each: money,
  total: money,
};
const value = oneKey(valueKeys);
const tier = (atLeast: Joi.Schema) =>
  Joi.object({ atLeast: atLeast.required(), ...valueKeys }).xor(...Object.keys(valueKeys));

const formula = Joi.object({
  basis: Joi.alternatives(Joi.valid('base', 'regular', 'cost'), Joi.object({ priceList: id.required() })),
  percentOff: basisPoints,
  amountOff: money,
  setTo: money,
  multiplyBy: Joi.string().max(30),
  addPercent: basisPoints,
  marginOnPrice: basisPoints,
})
  .xor('percentOff', 'amountOff', 'setTo', 'multiplyBy', 'addPercent', 'marginOnPrice')
  .without('addPercent', 'basis')
  .without('marginOnPrice', 'basis');

const conditionKeys = {
  payments: short(id, MOST.words),
  deliveries: short(id, MOST.words),
  regions: short(id, MOST.words),
  postcodes: short(id, 10_000),
  linkTags: short(id, MOST.words),
  minWeight: weight,
  maxWeight: weight,
  minPastOrders: count,
  maxPastOrders: count,
  minLifetimeSpend: money,
};

const part = { items: itemRule.required(), quantity: whole.required() };
const counted = Joi.valid('item', 'family', 'set').required();

const worksheet = Joi.object({
  passes: short(
    Joi.object({
      name: Joi.string().allow('').max(200),
      items: itemRule.required(),
      formula: formula.required(),
      rounding,
    }),
    MOST.passes,
  ).required(),
  own: amounts,
  ownIn: amountsIn,
  removed: list(id),
});

const offers: Record<string, Joi.ObjectSchema> = {
  priceChange: Joi.object({
    items: itemRule.required(),
    formula,
    linePrices: amounts,
    linePricesIn: amountsIn,
    rounding,
    worksheet,
    onTop: Joi.boolean(),
    of: Joi.valid('running', 'base'),
    mayRaise: Joi.boolean(),
  }),
  quantityBreak: Joi.object({
    items: itemRule.required(),
    count: counted,
    beyond: Joi.boolean(),
    tiers: short(tier(whole), MOST.tiers).min(1).required(),
  }),
  mixAndMatch: Joi.object({
    items: itemRule,
    take: whole,
    rewarded: whole,
    pick: Joi.valid('cheapest', 'dearest'),
    buy: short(Joi.object(part), MOST.parts).min(1),
    get: Joi.object(part),
    notDearer: Joi.boolean(),
    value: value.required(),
  })
    .xor('items', 'buy')
    .and('items', 'take')
    .and('buy', 'get')
    .and('rewarded', 'pick')
    .without('buy', ['take', 'rewarded'])
    .without('items', ['get', 'notDearer']),
  combo: Joi.object({
    slots: short(Joi.object({ name: Joi.string().max(300).required(), each: money, ...part }), MOST.parts)
      .min(1)
      .required(),
    value,
    extra: amounts,
    picture: Joi.string().pattern(/^[0-9a-f]{64}$/, 'SHA-256'),
  }),
  freeGoods: Joi.object({
    items: itemRule.required(),
    count: counted,
    minimum: whole,
    every: whole.required(),
    free: whole.required(),
    parts: Joi.valid('whole', 'prorated').required(),
    gift: id,
    maxFree: whole,
  }),
  basketReward: Joi.object({
    items: itemRule,
    conditions: Joi.object(conditionKeys),
    measure: Joi.valid('after', 'before'),
    threshold: Joi.valid('subtotal', 'units').required(),
    tiers: Joi.when('threshold', {
      is: 'units',
      then: short(tier(count), MOST.tiers).min(1),
      otherwise: short(tier(money), MOST.tiers).min(1),
    }).required(),
    maxDiscount: money,
    combinesWith: Joi.alternatives(Joi.valid('all', 'none'), short(id, MOST.within)),
    skipDiscounted: Joi.boolean(),
  }),
  deliveryReward: Joi.object({
    ways: short(id, MOST.words),
    conditions: Joi.object({ ...conditionKeys, subtotal: money }),
    maxItemWeight: weight,
    value: oneKey({ free: Joi.valid(true), flat: money, percentOff: basisPoints }).required(),
  }),
};

const kinds = Object.keys(offers);
const kind = Joi.valid(...kinds).required();
/** Each kind has its own keys; an unknown kind is told by `kind` itself. */
const offer = Joi.alternatives().conditional('.kind', {
  switch: kinds.map((name) => ({ is: name, then: offers[name]!.keys({ kind: Joi.valid(name).required() }) })),
  otherwise: Joi.object({ kind }).unknown(),
});

const supplierTerms = Joi.object({
  supplier: Joi.string().allow('').max(200),
  from: Joi.string(),
  to: Joi.string().required(),
  cost: money,
  costs: amounts,
  uplift: Joi.number().integer().min(0).max(1_000_000),
});

export const promotionSchema = Joi.object({
  id: id.required(),
  name: Joi.string().max(300).required(),
  label: texts,
  badge: texts,
  notes: Joi.string().allow('').max(10_000),
  status: Joi.valid(...PROMOTION_STATUSES).required(),
  priority: Joi.number().integer().min(1).max(1_000_000),
  alone: Joi.boolean(),
  startsFrom: Joi.valid('tag', 'base'),
  where: storeRule,
  channels: short(id, MOST.words),
  terminals: short(id, 10_000),
  when: when.required(),
  who: Joi.object({ groups: list(id), shoppers: list(id), guests: Joi.boolean() }),
  codes: list(id),
  codeBatches: Joi.valid(true),
  uses: Joi.object({
    inAll: count,
    perCode: count,
    perShopper: count,
    unitsInAll: count,
    unitsPerCode: count,
    unitsPerShopper: count,
    every: Joi.valid(...USE_SPANS),
    cutOff: count,
  }),
  limitPerBasket: whole,
  supplier: supplierTerms,
  offer: offer.required(),
});

const priceRow = Joi.object({ price: money.required(), since: Joi.string(), zone: id, store: id });

const itemSchema = Joi.object({
  sku: id.required(),
  name: Joi.string().max(300).required(),
  node: id.required(),
  gtin: Joi.string(),
  brand: Joi.string().max(200),
  parent: id,
  unit: Joi.valid('each', 'kg', 'l', 'm'),
  weight,
  cost: money,
  attributes: texts,
  tags: list(Joi.string()),
  content: Joi.object({
    amount: Joi.string()
      .pattern(/^\d{1,6}(\.\d{1,6})?$/, 'amount')
      .required(),
    unit: Joi.valid('kg', 'l', 'm', 'piece').required(),
  }),
  shelf: Joi.string().max(100),
  retired: Joi.string(),
  prices: list(priceRow).required(),
});

const storeSchema = Joi.object({
  id: id.required(),
  name: Joi.string().max(300).required(),
  timeZone: Joi.string().required(),
  zone: id,
  region: Joi.string(),
  tags: list(Joi.string()),
  hours: windows,
  shelves: Joi.object().pattern(anyKey, Joi.string().max(100)),
});

const named = { id: id.required(), name: Joi.string().max(300).required() };
const signedBasisPoints = Joi.number().integer().min(-10_000).max(10_000);

const nodeSchema = Joi.object({ ...named, parent: id });
const itemSetSchema = Joi.object({
  ...named,
  rule: itemRule.required(),
  frozen: Joi.object({ on: Joi.string().required(), live: itemRule.required() }),
});
const zoneSchema = Joi.object(named);
const storeGroupSchema = Joi.object({ ...named, rule: storeRule.required() });
const terminalSchema = Joi.object({ id: id.required(), store: id.required(), tags: list(Joi.string()) });
const rangeSchema = Joi.object({ ...named, stores: storeRule.required(), items: itemRule.required() });
const shopperGroupSchema = Joi.object({
  ...named,
  priceList: id,
  cards: Joi.object({
    prefix: Joi.string()
      .pattern(/^\d{1,12}$/, 'the first digits of a card')
      .required(),
    digits: Joi.number().integer().min(6).max(19).required(),
  }),
  joining: Joi.valid(true),
});
const shopperSchema = Joi.object({
  id: id.required(),
  name: Joi.string().max(200),
  account: id,
  groups: list(id),
  priceList: id,
  pastOrders: count,
  lifetimeSpend: money,
});
const priceListSchema = Joi.object({ ...named, percent: signedBasisPoints, rounding, prices: amounts });

/** One entry of each part of a plan that the stockroom keeps. */
export const ENTRY_SCHEMAS = {
  items: itemSchema,
  nodes: nodeSchema,
  itemSets: itemSetSchema,
  zones: zoneSchema,
  stores: storeSchema,
  storeGroups: storeGroupSchema,
  terminals: terminalSchema,
  ranges: rangeSchema,
  shopperGroups: shopperGroupSchema,
  shoppers: shopperSchema,
  priceLists: priceListSchema,
} as const;

export const planSchema: Joi.ObjectSchema<PlanDocument> = Joi.object({
  format: Joi.valid('bell-tag-plan').required(),
  version: Joi.valid(1).required(),
  name: Joi.string().allow(''),
  currency: Joi.string().required(),
  policy: Joi.object({
    priceChanges: Joi.valid('priority', 'lowest'),
    baskets: Joi.valid('best', 'priority'),
    marginFloor: basisPoints,
  }),
  nodes: list(nodeSchema).required(),
  items: list(itemSchema).required(),
  itemSets: list(itemSetSchema),
  zones: list(zoneSchema),
  stores: list(storeSchema).required(),
  storeGroups: list(storeGroupSchema),
  terminals: list(terminalSchema),
  ranges: list(rangeSchema),
  shopperGroups: list(shopperGroupSchema),
  shoppers: list(shopperSchema),
  priceLists: list(priceListSchema),
  promotions: list(promotionSchema).required(),
});
