import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { offer } from '../plans/basket-plan.ts';
import { change, SMALL, withPromotions } from '../plans/small-plan.ts';

let folder: string;
const PLAN = withPromotions(
  change('spring', {
    formula: { percentOff: 1500 },
    rounding: { step: '0.05', mode: 'up' },
    items: { node: 'sun' },
  }),
  change('members', { who: { groups: ['members'] }, priority: 1, items: { node: 'sun' }, channels: ['web'] }),
  offer('pair', {
    kind: 'mixAndMatch',
    items: { items: ['milk'] },
    take: 2,
    value: { total: '35.60' },
  }),
  offer(
    'off',
    { kind: 'mixAndMatch', items: { node: 'sun' }, take: 2, value: { percentOff: 1000 } },
    { status: 'paused' },
  ),
  change('top', { onTop: true, formula: { percentOff: 500 }, when: { from: '2027-05-01T00:00' } }),
);

beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), 'belltag-'));
  writeFileSync(join(folder, 'plan.json'), JSON.stringify(PLAN));
  writeFileSync(
    join(folder, 'faulty.json'),
    JSON.stringify({ ...SMALL, currency: 'EURO', nodes: [{ id: 'a', name: 'A', parent: 'b' }], items: [] }),
  );
  writeFileSync(join(folder, 'cut.json'), '{"format": "bell-tag-plan", ');
});
afterAll(() => rmSync(folder, { recursive: true }));

function belltag(call: string, plan: string, ...options: string[]) {
  const { status, stdout, stderr } = spawnSync('bin/belltag', [call, join(folder, plan), ...options], {
    encoding: 'utf8',
  });
  return { status, stdout, stderr, lines: stdout.trim() === '' ? [] : stdout.trim().split('\n') };
}

const call = (words: readonly string[], input = '') => {
  const { status, stdout, stderr } = spawnSync('bin/belltag', [...words], { encoding: 'utf8', input });
  return { status, stdout, stderr };
};

describe('belltag', () => {
  const CALLS = ['check', 'price', 'book', 'timeline', 'basket', 'overlaps', 'loopholes', 'tags', 'results'];
  it.each([[[]], [['--help']], [['-h']], [['help']]])('tells of all calls with %j', (words) => {
    const { status, stdout, stderr } = call(words);
    expect({ status, stderr }).toEqual({ status: 0, stderr: '' });
    for (const name of CALLS) expect(stdout).toContain(`belltag ${name} PLAN`);
    expect(stdout).toMatch(/ends with 0 .* 2 .* 1 /s);
  });

  it.each(CALLS)('tells how %s is written, whatever else is said', (name) => {
    const { status, stdout, stderr } = call([name, 'no-plan.json', '--help']);
    expect({ status, stderr }).toEqual({ status: 0, stderr: '' });
    expect(stdout).toMatch(new RegExp(`^belltag ${name} PLAN`));
    expect(call(['help', name]).stdout).toBe(stdout);
  });

  it('tells which it is', () => {
    expect(call(['--version'])).toEqual({
      ...{ status: 0, stderr: '' },
      stdout: expect.stringMatching(/^belltag \d+\.\d+\.\d+\n$/),
    });
  });

  it.each<[string, string[], RegExp]>([
    ['a call that is none', ['prices', 'plan.json'], /no call "prices"; wanted: check, price/],
    ['a name that every object has', ['constructor'], /no call "constructor"/],
    ['an option that is none', ['check', 'plan.json', '--stor', 'x'], /^\/--stor: no such option/],
    ['a short option', ['check', '-q', 'plan.json'], /^\/-q: no such option/],
    ['an option without a value', ['book', 'plan.json', '--store', '--at', 'x'], /^\/--store: no value/],
    ['a file too many', ['check', 'plan.json', 'other.json'], /"other.json" is one more than is taken/],
    ['a plan that is not named', ['book', '--store', 'east'], /no plan is named/],
    ['help that is a file', ['check', '--', '--help'], /--help cannot be read/],
  ])('ends with 2 for %s', (_, words, said) => {
    const { status, stdout, stderr } = call(words);
    expect(status).toBe(2);
    expect(stdout + stderr).toMatch(said);
  });

  it('takes the plan from standard input, and a file whose name looks like an option', () => {
    expect(call(['check', '-'], JSON.stringify(PLAN))).toEqual({ status: 0, stdout: '', stderr: '' });
    writeFileSync(join(folder, '--plan.json'), JSON.stringify(PLAN));
    const inFolder = spawnSync(join(process.cwd(), 'bin/belltag'), ['check', '--', '--plan.json'], {
      ...{ encoding: 'utf8', cwd: folder },
    });
    expect([inFolder.status, inFolder.stdout, inFolder.stderr]).toEqual([0, '', '']);
  });
});

describe('belltag check', () => {
  it('says nothing of a plan without faults', () => {
    expect(belltag('check', 'plan.json')).toMatchObject({ status: 0, stdout: '', stderr: '' });
  });

  it('says one line a fault, and ends with 2', () => {
    const { status, lines } = belltag('check', 'faulty.json');
    expect(status).toBe(2);
    expect(lines[0]).toMatch(/^\/\S*: .+; wanted: .+$/);
  });

  it.each(['cut.json', 'missing.json'])('ends with 2 for %s', (file) => {
    const { status, lines, stderr } = belltag('check', file);
    expect(status).toBe(2);
    expect(lines.length + stderr.length).toBeGreaterThan(0);
  });
});

describe('belltag price', () => {
  const price = (...options: string[]) => belltag('price', 'plan.json', '--store', 'east', ...options);

  it('answers with the price, where it comes from, and what lost', () => {
    const { status, stdout } = price('--item', 'milk', '--at', '2027-04-14T12:00');
    expect(status).toBe(0);
    expect(JSON.parse(stdout)).toEqual({
      price: '21.20',
      regular: '24.90',
      base: '24.90',
      promotion: 'spring',
      onTop: [],
      lost: [
        { promotion: 'members', reason: 'wrong-channel' },
        { promotion: 'top', reason: 'not-started' },
      ],
    });
  });

  it('asks for kinds of shopper and a channel', () => {
    const { stdout } = price(
      '--item',
      'milk',
      '--at',
      '2027-05-14T12:00',
      '--group',
      'members',
      '--group',
      'staff',
      '--channel',
      'web',
    );
    expect(JSON.parse(stdout)).toMatchObject({
      base: '21.20',
      price: '18.13',
      promotion: 'members',
      onTop: ['top'],
    });
  });

  it('asks for somebody with a number, who has what the plan says of it', () => {
    const at = ['--item', 'milk', '--at', '2027-04-14T12:00', '--channel', 'web'];
    const asked = (...who: string[]) => JSON.parse(price(...at, ...who).stdout);
    expect(asked('--shopper', 'm-1')).toEqual(asked('--group', 'members'));
    expect(asked('--shopper', 'm-1', '--group', 'staff')).toEqual(
      asked('--group', 'members', '--group', 'staff'),
    );
    expect(asked('--shopper', 'm-1')).not.toEqual(asked());
  });

  it('tells what so many units come to, and every deal that takes the item in', () => {
    const { stdout } = price('--item', 'milk', '--at', '2027-04-14T12:00', '--ladder', '2');
    expect(JSON.parse(stdout)).toMatchObject({
      price: '21.20',
      ladder: [
        { quantity: 1, goods: '21.20', each: '21.20', promotions: [] },
        { quantity: 2, goods: '35.60', each: '17.80', promotions: ['pair'] },
      ],
      deals: [
        { promotion: 'off', live: false, reason: 'switched-off' },
        { promotion: 'pair', live: true },
      ],
    });
  });

  it('ends without a word where nobody reads on', () => {
    const call = `bin/belltag book ${join(folder, 'plan.json')} --store east --at 2027-04-14T12:00 | true`;
    const { stderr, status } = spawnSync('bash', ['-o', 'pipefail', '-c', call], { encoding: 'utf8' });
    expect({ stderr, status }).toEqual({ stderr: '', status: 0 });
  });

  it('says why an item cannot be sold', () => {
    const { status, stdout } = price('--item', 'gel', '--at', '2027-04-14T12:00');
    expect(status).toBe(0);
    expect(JSON.parse(stdout)).toMatchObject({ price: null, problem: 'parent' });
  });

  it.each([
    ['an unknown store', ['--store', 'nowhere', '--item', 'milk', '--at', '2027-04-14T12:00']],
    ['an unknown item', ['--store', 'east', '--item', 'nothing', '--at', '2027-04-14T12:00']],
    ['no moment', ['--store', 'east', '--item', 'milk', '--at', 'soon']],
    [
      'no number of units',
      ['--store', 'east', '--item', 'milk', '--at', '2027-04-14T12:00', '--ladder', '0'],
    ],
    ['an unknown group', ['--store', 'east', '--item', 'milk', '--at', '2027-04-14T12:00', '--group', 'x']],
    [
      'an unknown shopper',
      ['--store', 'east', '--item', 'milk', '--at', '2027-04-14T12:00', '--shopper', 'x'],
    ],
    ['a missing option', ['--store', 'east', '--item', 'milk']],
    [
      'an unknown option',
      ['--store', 'east', '--item', 'milk', '--at', '2027-04-14T12:00', '--colour', 'red'],
    ],
  ])('refuses %s with 2 and one line', (_, options) => {
    const { status, stdout, stderr } = belltag('price', 'plan.json', ...options);
    expect({ status, stdout }).toEqual({ status: 2, stdout: '' });
    expect(stderr.trim().split('\n')).toHaveLength(1);
    expect(stderr).toMatch(/; wanted: /);
  });
});

describe('belltag book', () => {
  it('prints one line for each carried item', () => {
    const { lines } = belltag('book', 'plan.json', '--store', 'east', '--at', '2027-04-14T12:00');
    const rows = lines.map((line) => JSON.parse(line));
    expect(rows.map(({ sku }) => sku)).toEqual([
      'milk',
      'spray',
      'oil',
      'gel-50',
      'gel-90',
      'bar',
      'unpriced',
    ]);
    expect(rows[0]).toEqual({ sku: 'milk', price: '21.20', regular: '24.90', promotion: 'spring' });
    expect(rows[5]).toEqual({ sku: 'bar', price: '1.00', regular: '1.00', promotion: null });
    expect(rows[6]).toMatchObject({ sku: 'unpriced', price: null, regular: null });
  });
});

describe('belltag timeline', () => {
  it('prints maximal spans of one price, with the offset in the hour that happens twice', () => {
    const { stdout } = belltag(
      'timeline',
      'plan.json',
      '--store',
      'east',
      '--item',
      'milk',
      '--from',
      '2027-02-28T00:00',
      '--to',
      '2027-06-02T00:00',
    );
    expect(JSON.parse(stdout)).toEqual([
      { from: '2027-02-28T00:00', to: '2027-03-01T09:00', price: '24.90', promotion: null },
      { from: '2027-03-01T09:00', to: '2027-05-01T00:00', price: '21.20', promotion: 'spring' },
      { from: '2027-05-01T00:00', to: '2027-06-01T20:00', price: '20.14', promotion: 'spring' },
      { from: '2027-06-01T20:00', to: '2027-06-02T00:00', price: '23.66', promotion: null },
    ]);
    const autumn = belltag(
      'timeline',
      'plan.json',
      '--store',
      'east',
      '--item',
      'bar',
      '--from',
      '2027-10-31T02:30+02:00',
      '--to',
      '2027-10-31T02:30+01:00',
    );
    expect(JSON.parse(autumn.stdout)).toMatchObject([
      { from: '2027-10-31T02:30+02:00', to: '2027-10-31T02:30+01:00' },
    ]);
  });
});

it('an unknown call is refused, and names those there are', () => {
  const { status, stderr } = belltag('guess', 'plan.json');
  expect(status).toBe(2);
  expect(stderr).toMatch(/check, price, book, timeline/);
});

describe('belltag overlaps', () => {
  it('prints one finding a line, by code and then ids', () => {
    const { status, lines } = belltag(
      'overlaps',
      'plan.json',
      '--from',
      '2027-03-01T00:00',
      '--to',
      '2027-07-01T00:00',
    );
    expect(status).toBe(0);
    const found = lines.map((line) => JSON.parse(line));
    expect(found.map(({ code, promotions }) => [code, ...promotions].join(' '))).toEqual(
      found.map(({ code, promotions }) => [code, ...promotions].join(' ')).sort(),
    );
    expect(found.find(({ code, promotions }) => code === 'open-end' && promotions[0] === 'top')).toEqual({
      code: 'open-end',
      promotions: ['top'],
      items: [],
      itemCount: 0,
      stores: ['east', 'west'],
      from: '2027-05-01T00:00',
      to: null,
      message: '“top” has no end.',
    });
    for (const finding of found) expect(finding.message).toMatch(/^“.+\.$/);
  });

  it.each([[['--from', 'soon']], [['--from', '2027-07-01T00:00', '--to', '2027-03-01T00:00']]])(
    'refuses %j',
    (options) => {
      expect(belltag('overlaps', 'plan.json', ...options).status).toBe(2);
    },
  );
});

describe('belltag loopholes', () => {
  const at = ['--store', 'east', '--at', '2027-03-10T12:00'];

  it('prints what leaves the least first, and last how far was looked', () => {
    const { status, lines } = belltag('loopholes', 'plan.json', ...at, '--units', '3');
    expect(status).toBe(0);
    const all = lines.map((line) => JSON.parse(line));
    expect(all.at(-1)).toEqual({ looked: { units: 3, proved: true, baskets: expect.any(Number) } });
    const margins = all.slice(0, -1).map(({ margin }) => Number(margin));
    expect(margins).toEqual(margins.toSorted((a, b) => a - b));
    expect(all[0]).toEqual({
      margin: '0.60',
      goods: '1.00',
      cost: '0.40',
      units: 1,
      promotions: [],
      basket: { store: 'east', at: '2027-03-10T12:00', lines: [{ sku: 'bar', quantity: 1 }] },
    });
    // Two milks by the pair leave more than one of them, which would do without the other.
    expect(all.map(({ promotions }) => promotions?.join(' '))).toEqual(['', 'spring', undefined]);
  });

  it.each([[['--units', '0']], [['--units', 'many']], [['--group', 'nobody']]])('refuses %j', (options) => {
    expect(belltag('loopholes', 'plan.json', ...at, ...options).status).toBe(2);
  });
});

describe('belltag results', () => {
  const basket = { store: 'east', at: '2027-04-14T12:00', lines: [{ sku: 'milk', quantity: 2 }] };
  const sold = (sale: string, more: object = {}) => {
    const receipt = JSON.parse(
      call(['basket', join(folder, 'plan.json'), '-'], JSON.stringify(basket)).stdout,
    );
    return { sale, terminal: 'east-1', store: 'east', at: basket.at, priceFile: 3, basket, receipt, ...more };
  };
  const results = (sales: readonly unknown[], ...options: string[]) =>
    call(
      ['results', join(folder, 'plan.json'), '-', ...options],
      sales.map((one) => JSON.stringify(one)).join('\n'),
    );

  it('sums up what each promotion brought, a sale that comes twice once', () => {
    const { status, stdout } = results([sold('a'), sold('b', { at: '2027-04-15T08:00' }), sold('a')]);
    expect(status).toBe(0);
    const [pair, spring] = stdout
      .trim()
      .split('\n')
      .map((line) => JSON.parse(line));
    expect([pair.promotion, spring.promotion]).toEqual(['pair', 'spring']);
    expect(pair).toMatchObject({ receipts: 2, units: 4, takings: '71.20' });
    expect(Object.keys(spring)).toEqual([
      ...['promotion', 'receipts', 'units', 'takings', 'reduction', 'cost', 'margin'],
    ]);
  });

  it('tells apart what is asked for', () => {
    const { stdout } = results(
      [sold('a'), sold('b', { at: '2027-04-15T08:00' })],
      '--by',
      'day,promotion,item',
    );
    const rows = stdout
      .trim()
      .split('\n')
      .map((line) => JSON.parse(line));
    expect(rows.map(({ day, promotion, item, units }) => [day, promotion, item, units])).toEqual([
      ['2027-04-14', 'pair', 'milk', 2],
      ['2027-04-14', 'spring', 'milk', 2],
      ['2027-04-15', 'pair', 'milk', 2],
      ['2027-04-15', 'spring', 'milk', 2],
    ]);
  });

  it('sums nothing up where a sale cannot be read, and says which', () => {
    const wrong = sold('c');
    const [line] = wrong.receipt.lines;
    const currency = sold('d');
    currency.receipt.currency = 'USD';
    const { status, stdout, stderr } = results([
      sold('a'),
      { ...wrong, receipt: { ...wrong.receipt, lines: [{ ...line, net: '3.999' }] } },
      currency,
      { sale: 'e' },
    ]);
    expect([status, stdout]).toEqual([2, '']);
    expect(stderr).toContain('/line 2/receipt/lines/0/net: "3.999" is no amount of EUR');
    expect(stderr).toContain('/line 3/receipt/currency: it was paid in USD; wanted: EUR');
    expect(stderr).toContain('/line 4/terminal: "terminal" is missing');
  });

  it.each([
    ['no file of sales', ['results', 'plan.json'], 'no sales are named'],
    ['a file that is not there', ['results', 'plan.json', 'nowhere.jsonl'], 'cannot be read (ENOENT)'],
    ['a key that is none', ['results', 'plan.json', '-', '--by', 'promotion,week'], '"week" is none'],
    [
      'a key twice',
      ['results', 'plan.json', '-', '--by', 'day,day'],
      '"day" is none to tell results apart by, or is said twice',
    ],
  ])('refuses %s', (_, [name, plan, ...rest], message) => {
    const { status, stdout, stderr } = call([name!, join(folder, plan!), ...rest]);
    expect([status, stdout]).toEqual([2, '']);
    expect(stderr).toContain(message);
  });
});

describe('belltag tags', () => {
  const tags = (...more: string[]) =>
    belltag('tags', 'plan.json', '--store', 'east', '--out', join(folder, 'tags.pdf'), ...more);

  it('prints one tag a line and writes the PDF, in the fonts that ship with it', () => {
    const { stdout, status } = tags('--day', '2027-05-01', '--all', '--paper', 'a4-8');
    expect(status).toBe(0);
    const lines = stdout
      .trim()
      .split('\n')
      .map((line) => JSON.parse(line));
    expect(Object.keys(lines[0])).toEqual([
      ...['sku', 'name', 'price', 'was', 'promotion'],
      ...['unitPrice', 'unit', 'lowestBefore', 'gtin', 'shelf'],
    ]);
    for (const { sku, price } of lines) {
      const asked = belltag(
        'price',
        'plan.json',
        '--store',
        'east',
        '--item',
        sku,
        '--at',
        '2027-05-01T00:00',
      );
      expect(JSON.parse(asked.stdout).price).toBe(price);
    }
    const pdf = readFileSync(join(folder, 'tags.pdf'), 'latin1');
    expect(pdf.startsWith('%PDF-')).toBe(true);
    expect(pdf).toMatch(/\/FontFile2/);
    expect(pdf.match(/\/Type \/Page\b/g)).toHaveLength(Math.ceil(lines.length / 8));
  });

  it('prints only what differs from the day before, nothing where nothing does', () => {
    expect(tags('--day', '2027-05-01').stdout.trim().split('\n').length).toBeGreaterThan(0);
    expect(tags('--day', '2027-05-20')).toMatchObject({ stdout: '', status: 0 });
  });

  it.each([
    [['--day', 'soon'], '/--day'],
    [['--day', '2027-05-01', '--paper', 'silk'], '/--paper'],
    [['--day', '2027-05-01', '--all=yes'], '/--all'],
    [[], '/--day'],
  ])('refuses %j and says where', (more, where) => {
    const { status, stderr } = tags(...more);
    expect(status).toBe(2);
    expect(stderr.startsWith(where)).toBe(true);
  });
});
