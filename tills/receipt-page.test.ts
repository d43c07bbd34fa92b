import { describe, expect, test } from 'vitest';
import type { Instant } from '../src/core/calendar/index.ts';
import { readPlan } from '../src/core/plan/index.ts';
import { compile } from '../src/core/price-book/index.ts';
import type { BatchCode, Vouched } from '../src/core/receipt/index.ts';
import { basketPlan, offer } from '../tests/plans/basket-plan.ts';
import { basketAsked } from './asked-basket.ts';
import { basketPage } from './receipt-page.ts';
import { ringWhole } from './ring-basket.ts';
import type { TillState } from './till-ports.ts';

const PLAN = compile(
  readPlan(
    basketPlan({ x: '10.00' }, [
      offer(
        'w',
        { kind: 'basketReward', threshold: 'subtotal', tiers: [{ atLeast: '10.00', percentOff: 1_000 }] },
        { codeBatches: true, label: { default: 'Welcome', de: 'Willkommen' } },
      ),
      offer(
        'p',
        { kind: 'priceChange', items: { items: ['x'] }, formula: { percentOff: 500 } },
        {
          ...{ codes: ['FIVE'], label: { es: 'Cinco & más' } },
        },
      ),
    ]),
  ),
);
const CODE: BatchCode = {
  ...{ promotion: 'w', key: 'batch:1:0a', from: null, to: null, withdrawn: false, test: false },
};
const STATE = { id: 't1', groups: [] } as unknown as TillState;

/** The page of a basket with one x, by codes of which this is known. */
function page(codes: string[], more: Record<string, string> = {}, known: Record<string, Vouched> = {}) {
  const place = { store: 'shop', terminal: 't1', at: Date.parse('2027-03-01T11:00:00Z') as Instant };
  const lines = [{ sku: 'x', quantity: 1 }];
  const answer = ringWhole(PLAN, place, { codes, lines }, new Map(Object.entries(known)));
  const asked = { ...basketAsked(new URLSearchParams({ lines: 'x*1', ...more })), basket: 'basket-1' };
  return basketPage(STATE, asked, answer);
}

describe('a receipt', () => {
  test('says what a code brought', () => {
    const said = page(['Q1'], {}, { Q1: CODE });
    expect(said).toContain('Code Q1: you save 1.00');
    expect(said).toContain('EUR; you save 1.00');
  });

  test.each<[string, Vouched | null, RegExp]>([
    ['unknown', null, /Code Q1: no promotion has this code/],
    ['withdrawn', { ...CODE, withdrawn: true }, /Code Q1: it was withdrawn/],
    ['unchecked', 'unchecked', /Code Q1: nobody could be asked/],
    ['slowed', 'slowed', /Code Q1: too many wrong codes/],
  ])('says why one that is %s was refused', (_, known, words) => {
    expect(page(['Q1'], {}, known ? { Q1: known } : {})).toMatch(words);
  });

  test('says of one that is good and brings nothing that it stays unused', () => {
    // At 9.50 the basket does not come to what the other asks for.
    const said = page(['Q1', 'five'], {}, { Q1: CODE });
    expect(said).toContain('Code Q1: good, but nothing in this basket goes by it; it stays unused');
    expect(said).toContain('Code five: you save 0.50');
  });

  test('names its promotions in the language that is chosen, where they are written in it', () => {
    const known = { Q1: CODE };
    expect(page(['Q1'], {}, known)).toContain('Welcome −1.00');
    expect(page(['Q1'], { language: 'de' }, known)).toContain('Willkommen −1.00');
    expect(page(['Q1'], { language: 'es' }, known)).toContain('Welcome −1.00');
    const options = page(['Q1'], { language: 'de' }, known);
    expect(options).toContain('<option selected value="de">de</option>');
    expect(options).toContain('<option value="es">es</option>');
    expect(page(['Q1'], { language: '"><script>' }, known)).not.toContain('<script>');
  });
});
