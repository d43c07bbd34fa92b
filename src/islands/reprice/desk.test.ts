import { describe, expect, it } from 'vitest';
import { editsOf, type RepriceDesk, type RepriceEvent, repriceAfter, repriceDeskOf } from './desk.ts';

const begun = repriceDeskOf('2027-03-01');
const then = (desk: RepriceDesk, ...events: readonly RepriceEvent[]): RepriceDesk =>
  events.reduce(repriceAfter, desk);
const row = (sku: string, since: string | null = null) => ({ sku, place: 'chain', since, price: '1.00' });
const priced = (...rows: ReturnType<typeof row>[]): RepriceEvent => ({
  type: 'priced',
  outcome: { items: [], rows },
});

describe('new regular prices', () => {
  it('are entered from the day on, those that begin later on their own', () => {
    expect(editsOf(then(begun, priced(row('a'), row('b', '2027-05-01'))))).toEqual([
      { key: null, cells: { sku: 'a', place: 'chain', since: '2027-03-01', price: '1.00' } },
      { key: null, cells: { sku: 'b', place: 'chain', since: '2027-05-01', price: '1.00' } },
    ]);
  });
  it('are told once they were entered, until there are others', () => {
    const entered = then(begun, priced(row('a')), { type: 'asked' }, { type: 'entered', waits: true });
    expect(entered).toMatchObject({
      sheet: { passes: [] },
      rows: [],
      entered: { kind: 'entered', count: 1, since: '2027-03-01', waits: true },
    });
    expect(then(entered, priced()).entered.kind).toBe('entered');
    expect(then(entered, priced(row('b'))).entered.kind).toBe('nothing');
  });
  it('stay written where they are refused', () => {
    const refusal = { status: 422, message: 'no', faults: [], current: undefined };
    const refused = then(begun, priced(row('a')), { type: 'refused', refusal });
    expect(refused.rows).toHaveLength(1);
    expect(then(refused, priced(row('a'))).entered).toEqual({ kind: 'refused', refusal });
  });
});
