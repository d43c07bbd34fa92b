import { spawnSync } from 'node:child_process';
import { createHmac } from 'node:crypto';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { basketOf, basketPlan, offer } from '../plans/basket-plan.ts';

let folder: string;
const PLAN = basketPlan({ c: '4.40', kilo: { unit: 'kg', prices: [{ price: '2.50' }] } }, [
  offer('b', { kind: 'mixAndMatch', items: { all: true }, take: 3, value: { total: '11.00' } }),
]);

beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), 'belltag-'));
  writeFileSync(join(folder, 'plan.json'), JSON.stringify(PLAN));
});
afterAll(() => rmSync(folder, { recursive: true }));

function belltag(input: string, baskets = '-', plan = 'plan.json', more: readonly string[] = []) {
  const words = ['basket', join(folder, plan), baskets, ...more];
  const { status, stdout, stderr } = spawnSync('bin/belltag', words, {
    encoding: 'utf8',
    input,
    maxBuffer: 100_000_000,
  });
  return {
    status,
    stderr,
    answers: stdout
      .split('\n')
      .filter(Boolean)
      .map((line) => JSON.parse(line)),
  };
}

const lines = (...baskets: unknown[]) => baskets.map((basket) => JSON.stringify(basket)).join('\n');

describe('belltag basket', () => {
  it('answers each basket with its receipt, in order', () => {
    const { status, answers } = belltag(
      lines(basketOf({ c: 3 }, { id: 'one' }), basketOf({ c: 4, kilo: '0.742' }, { id: 'two' })),
    );
    expect(status).toBe(0);
    expect(answers[0]).toEqual({
      id: 'one',
      currency: 'EUR',
      total: '11.00',
      goods: '11.00',
      saving: '2.20',
      proved: true,
      lines: [
        {
          sku: 'c',
          quantity: 3,
          regular: '4.40',
          tag: '4.40',
          net: '11.00',
          reductions: [{ promotion: 'b', units: 3, amount: '2.20' }],
        },
      ],
      applications: [{ promotion: 'b', times: 1, units: [{ line: 0, quantity: 3 }], saving: '2.20' }],
      rewards: [],
      codes: [],
      nearly: [{ promotion: 'b', add: 3, sku: 'c', saving: '2.20' }],
      problems: [],
    });
    expect(answers[1]).toMatchObject({
      id: 'two',
      total: '17.26',
      lines: [{}, { quantity: '0.742', net: '1.86' }],
    });
  });

  it.each<[string, string, string]>([
    ['no JSON', '{"store": ', 'it is no JSON'],
    ['no object', '17', 'object'],
    [
      'an unknown store',
      lines({ ...basketOf({ c: 1 }), store: 'x' }),
      '/store: no store "x"; wanted: the id',
    ],
    ['no moment', lines(basketOf({ c: 1 }, { at: 'soon' })), '/at: "soon" is no moment'],
    [
      'half a piece',
      lines(basketOf({ c: 0.5 })),
      '/lines/0/quantity: 0.5 is no quantity of c; wanted: a whole number',
    ],
    ['a negative quantity', lines(basketOf({ c: -1 })), '/lines/0/quantity: -1 is no quantity'],
    ['an absurd quantity', lines(basketOf({ c: 1e9 })), '/lines/0/quantity: 1000000000 is no quantity'],
    [
      'too fine a weight',
      lines(basketOf({ kilo: '0.7421' })),
      '/lines/0/quantity: "0.7421" is no quantity of kilo',
    ],
    ['a shopper whom nobody knows', lines(basketOf({ c: 1 }, { shopper: 'x' })), '/shopper: no shopper "x"'],
    [
      'a group that is not there',
      lines(basketOf({ c: 1 }, { shopper: { groups: ['x'] } })),
      '/shopper/groups/0: no shopper group',
    ],
    [
      'too many lines',
      lines(basketOf(Array.from({ length: 1_001 }, () => ['c', 1] as const))),
      '/lines: 1001 lines; wanted: at most 1000',
    ],
    ['an unknown field', lines({ ...basketOf({ c: 1 }), shop: 1 }), '/shop: "shop" is no field of this'],
  ])('tells of %s on its line, and goes on', (_, bad, message) => {
    const { status, answers } = belltag(`${bad}\n${lines(basketOf({ c: 1 }))}`);
    expect(status).toBe(0);
    expect(answers).toHaveLength(2);
    expect(answers[0].error).toContain(message);
    expect(answers[1].total).toBe('4.40');
  });

  it('names what cannot be sold on the line, and leaves it out', () => {
    const { answers } = belltag(lines(basketOf({ nobody: 2, c: 1 })));
    expect(answers[0]).toMatchObject({
      total: '4.40',
      lines: [{ sku: 'nobody', net: '0.00' }, { net: '4.40' }],
      problems: [{ line: 0, code: 'unknown-item' }],
    });
  });

  it('reads a thousand lines in one basket, and ten thousand baskets in one call', () => {
    const wide = basketOf(Array.from({ length: 1_000 }, () => ['kilo', '0.100'] as const));
    expect(belltag(lines(wide)).answers[0].total).toBe('250.00');
    const many = lines(
      ...Array.from({ length: 10_000 }, (_, i) => basketOf({ c: 1 + (i % 4) }, { id: String(i) })),
    );
    const { answers } = belltag(many);
    expect(answers).toHaveLength(10_000);
    expect(answers[9_999]).toMatchObject({ id: '9999', total: '15.40' });
  }, 60_000);

  it.each([
    ['missing.json', '-'],
    ['plan.json', 'no-such-baskets.jsonl'],
  ])('ends with 2 where %s or %s cannot be read', (plan, baskets) => {
    const { status, stderr } = belltag('', baskets, plan);
    expect(status).toBe(2);
    expect(stderr).toContain('cannot be read');
  });

  it('knows single-use codes by a file of their hashes', () => {
    const key = Buffer.alloc(32, 7);
    const hashOf = (code: string) => createHmac('sha256', key).update(code).digest('hex').slice(0, 32);
    const batch = {
      ...{ promotion: 'w', to: '2027-03-31', codes: ['QAA', 'QBB', 'QCC'].map(hashOf) },
      withdrawn: [hashOf('QBB')],
    };
    const file = { format: 'bell-tag-codes', version: 1, key: key.toString('base64url'), batches: [batch] };
    const reward = {
      kind: 'basketReward',
      threshold: 'subtotal',
      tiers: [{ atLeast: '1.00', percentOff: 1_000 }],
    };
    const plan = basketPlan({ c: '10.00' }, [offer('w', reward as never, { codeBatches: true })]);
    writeFileSync(join(folder, 'coded.json'), JSON.stringify(plan));
    writeFileSync(join(folder, 'codes.json'), JSON.stringify(file));
    const rung = (...more: string[]) =>
      belltag(
        lines(
          basketOf({ c: 1 }, { codes: ['q-aa'] }),
          basketOf({ c: 1 }, { codes: ['QBB'] }),
          basketOf({ c: 1 }, { codes: ['QCC'], usesSoFar: { 'code:QCC': 1 } }),
          basketOf({ c: 1 }, { codes: ['QAA'], at: '2027-04-01T00:00' }),
          basketOf({ c: 1 }, { codes: ['QDD'] }),
        ),
        '-',
        'coded.json',
        more,
      );
    const reasons = [
      'it was withdrawn',
      'it was used as often as it may be',
      'its promotion is over',
      'no promotion has this code',
    ];
    const { answers, status } = rung('--codes', join(folder, 'codes.json'));
    expect([status, answers.map(({ total }) => total)]).toEqual([
      0,
      ['9.00', '10.00', '10.00', '10.00', '10.00'],
    ]);
    expect(answers.map(({ codes }) => codes[0].reason)).toEqual([undefined, ...reasons]);
    // Without the file nobody knows what they are.
    expect(new Set(rung().answers.map(({ codes }) => codes[0].reason))).toEqual(new Set(reasons.slice(-1)));
  });

  it.each([
    ['no such file', 'nowhere.json', null, /cannot be read/],
    ['another document', 'plan.json', null, /"format" is/],
    ['a hash that is none', 'bad.json', { promotion: 'w', codes: ['QAA'] }, /batches\/0\/codes\/0/],
  ])('refuses a file of codes that is %s', (_, name, batch, words) => {
    const key = Buffer.alloc(32).toString('base64url');
    if (batch)
      writeFileSync(
        join(folder, name),
        JSON.stringify({ format: 'bell-tag-codes', version: 1, key, batches: [batch] }),
      );
    const { status, stderr } = belltag('', '-', 'plan.json', ['--codes', join(folder, name)]);
    expect([status, stderr]).toEqual([2, expect.stringMatching(words)]);
  });
});
