import Joi from 'joi';
import { type Currency, parseAmount } from '../core/money/index.ts';
import type { Fault } from '../core/plan/index.ts';
import type { SaleDocument } from '../core/results/index.ts';
import { basketSchema } from './basket-document.ts';
import { type Shaped, shape } from './shape.ts';

const text = Joi.string().min(1).max(200);
const amount = Joi.string().pattern(/^\d+(\.\d+)?$/, 'amount');
/** Of an offer that puts a unit back to its base price. */
const signed = Joi.string().pattern(/^-?\d+(\.\d+)?$/, 'amount');
const count = Joi.number().integer().min(0).max(1_000_000);
const quantity = Joi.alternatives(
  Joi.number().integer().min(0).max(1_000_000),
  Joi.string().pattern(/^\d{1,9}(\.\d{1,3})?$/, 'quantity'),
);

const line = Joi.object({
  sku: text.required(),
  quantity: quantity.required(),
  regular: amount.required(),
  base: amount,
  tag: amount.required(),
  net: amount.required(),
  gift: Joi.valid(true),
  priceChange: text,
  onTop: Joi.array().items(text),
  reductions: Joi.array()
    .items(Joi.object({ promotion: text.required(), units: count, amount: signed.required() }).unknown())
    .required(),
}).unknown();

const application = Joi.object({
  promotion: text.required(),
  units: Joi.array()
    .items(Joi.object({ line: count.required(), quantity: count.required() }).unknown())
    .required(),
}).unknown();

/** A till of a later version may tell more than is read here; what is read must be right. */
const saleSchema: Joi.ObjectSchema<SaleDocument> = Joi.object({
  sale: text.required(),
  terminal: text.required(),
  store: text.required(),
  at: Joi.string()
    .pattern(/^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}/, 'local date and time such as 2027-03-01T09:00')
    .required(),
  priceFile: Joi.number().integer().min(0).required(),
  basket: basketSchema.unknown().required(),
  receipt: Joi.object({
    currency: text.required(),
    lines: Joi.array().items(line).required(),
    applications: Joi.array().items(application).required(),
    rewards: Joi.array()
      .items(Joi.object({ promotion: text.required(), amount: amount.required() }).unknown())
      .required(),
  })
    .unknown()
    .required(),
}).unknown();

/** Reads one line of a sales file. Amounts must be such as the currency of the plan has. */
export function parseSale(raw: unknown, currency: Currency): Shaped<SaleDocument> {
  const shaped = shape(saleSchema, raw);
  if (!shaped.ok) return shaped;
  const faults = saleFaults(shaped.value, currency);
  return faults.length > 0 ? { ok: false, faults } : shaped;
}

function saleFaults({ receipt }: SaleDocument, currency: Currency): Fault[] {
  if (receipt.currency !== currency.code)
    return [
      {
        path: ['receipt', 'currency'],
        what: `it was paid in ${receipt.currency}`,
        wanted: `${currency.code}, the currency of the plan`,
      },
    ];
  const faults: Fault[] = [];
  const look = (text: string | undefined, path: Fault['path']) => {
    if (text === undefined || parseAmount(text.replace(/^-/, ''), currency) !== null) return;
    const wanted = `an amount with at most ${currency.exponent} decimals`;
    faults.push({ path: ['receipt', ...path], what: `"${text}" is no amount of ${currency.code}`, wanted });
  };
  for (const [i, { regular, base, tag, net, reductions }] of receipt.lines.entries()) {
    for (const [field, amount] of Object.entries({ regular, base, tag, net }))
      look(amount, ['lines', i, field]);
    for (const [at, one] of reductions.entries()) look(one.amount, ['lines', i, 'reductions', at, 'amount']);
  }
  for (const [i, { units }] of receipt.applications.entries())
    for (const [at, { line: place }] of units.entries())
      if (place >= receipt.lines.length)
        faults.push({
          path: ['receipt', 'applications', i, 'units', at, 'line'],
          what: `there is no line ${place}`,
          wanted: `a line from 0 to ${receipt.lines.length - 1}`,
        });
  return faults;
}
