import { describe, expect, it } from 'vitest';
import { describeFault } from '../core/plan/index.ts';
import {
  planSchema,
  priceRequest,
  savePromotionRequest,
  sendRequest,
  signInRequest,
  statusRequest,
  terminalReport,
} from './index.ts';
import { shape } from './shape.ts';

const faults = (schema: Parameters<typeof shape>[0], raw: unknown): string[] => {
  const shaped = shape(schema, raw);
  return shaped.ok ? [] : shaped.faults.map(describeFault);
};

describe('what comes in from outside', () => {
  it.each<[string, Parameters<typeof shape>[0], unknown]>([
    ['a question for a price', priceRequest, { store: 's', item: 'i', at: '2027-03-01T09:00', group: 'g' }],
    ['a promotion to save', savePromotionRequest, { promotion: { anything: true }, revision: 1 }],
    ['a status', statusRequest, { status: 'paused', revision: 2 }],
    ['an order to send', sendRequest, { planVersion: 3 }],
    ['somebody who signs in', signInRequest, { email: 'a@b.example', password: 'x' }],
    [
      'a terminal’s report',
      terminalReport,
      { holds: null, heldSince: null, clock: '2027-03-01T09:00:00Z', problem: null },
    ],
  ])('is taken: %s', (_, schema, raw) => {
    expect(faults(schema, raw)).toEqual([]);
  });

  it.each<[Parameters<typeof shape>[0], unknown, string]>([
    [priceRequest, { store: 's', item: 'i' }, '/at: "at" is missing; wanted: a value here'],
    [
      priceRequest,
      { store: 's', item: 'i', at: 'x', more: 1 },
      '/more: "more" is no field of this; wanted: only the fields of the format',
    ],
    [priceRequest, { store: '', item: 'i', at: 'x' }, '/store: "store" is empty; wanted: a text'],
    [
      statusRequest,
      { status: 'gone', revision: 1 },
      '/status: "status" is none of those that there are; wanted: one of draft, approved, paused, archived',
    ],
    [
      statusRequest,
      { status: 'paused', revision: 0 },
      '/revision: "revision" is too small; wanted: a number from 1',
    ],
  ])('is refused in words: %#', (schema, raw, words) => {
    expect(faults(schema, raw)).toEqual([words]);
  });

  it('is not turned into what it is not: "1" is no number, and 1 is no text', () => {
    expect(faults(sendRequest, { planVersion: '1' })).toHaveLength(1);
    expect(faults(priceRequest, { store: 1, item: 'i', at: 'x' })).toHaveLength(1);
  });

  it('is told of every fault at once', () => {
    expect(faults(planSchema, {}).length).toBeGreaterThan(4);
  });

  it.each([null, undefined, [], 'text', 5])('is refused as %j', (raw) => {
    expect(faults(priceRequest, raw).length).toBeGreaterThan(0);
  });
});
