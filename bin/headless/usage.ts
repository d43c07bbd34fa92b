/** How a call is written, and what it answers. */
interface Usage {
  readonly line: string;
  readonly answers: string;
  readonly options?: readonly (readonly [string, string])[];
}

const STORE = ['--store S', 'the id of a store'] as const;
const AT = ['--at T', 'a wall time at the store, such as 2027-03-01T09:00'] as const;
const GROUP = ['--group G', 'a kind of shopper; may stand more than once, without it a guest'] as const;
const SHOPPER = [
  '--shopper ID',
  'the number of a shopper or an account of the plan, with its kinds and lists',
] as const;
const SPAN = [
  ['--from T', 'the first moment that is looked at'],
  ['--to T', 'the moment before which it ends'],
] as const;

export const USAGES = {
  check: {
    line: 'belltag check PLAN',
    answers: 'Nothing, or one line for each fault of the plan: where, what is wrong, what would be right.',
  },
  price: {
    line: 'belltag price PLAN --store S --item SKU --at T [--group G]... [--shopper ID] [--channel C] [--terminal ID] [--ladder N]',
    answers: 'One JSON object: the price, where it comes from, and what lost.',
    options: [
      STORE,
      ['--item SKU', 'the number of an item'],
      AT,
      GROUP,
      SHOPPER,
      ['--channel C', 'where it is sold, such as web; without it in the store'],
      ['--terminal ID', 'at which till'],
      ['--ladder N', 'what 1 to N units come to, and every deal that takes the item in'],
    ],
  },
  book: {
    line: 'belltag book PLAN --store S --at T',
    answers: 'JSON Lines: the price of every item that the store carries.',
    options: [STORE, AT],
  },
  timeline: {
    line: 'belltag timeline PLAN --store S --item SKU --from T --to T [--group G]... [--shopper ID] [--channel C]',
    answers: 'A JSON array of the spans in which one price holds.',
    options: [
      STORE,
      ['--item SKU', 'the number of an item'],
      ...SPAN,
      GROUP,
      SHOPPER,
      ['--channel C', 'where it is sold'],
    ],
  },
  basket: {
    line: 'belltag basket PLAN BASKETS [--codes FILE]',
    answers: 'JSON Lines of receipts, one for each line of BASKETS, in order.',
    options: [['--codes FILE', 'batches of single-use codes, by hashes']],
  },
  overlaps: {
    line: 'belltag overlaps PLAN [--from T] [--to T]',
    answers: 'JSON Lines: what may be wrong between promotions.',
    options: SPAN,
  },
  tags: {
    line: 'belltag tags PLAN --store S --day D [--all] [--paper NAME] --out FILE',
    answers:
      'The shelf tags of a store for a day as PDF, and JSON Lines, one for each tag, in the order of the shelves.',
    options: [
      STORE,
      ['--day D', 'a date such as 2027-03-01; prices are those of a guest when the store opens'],
      ['--all', 'every tag; without it those that differ from the day before'],
      ['--paper NAME', 'a4-24, a4-15, a4-8, a4-4, roll-57x32, roll-80x50, poster-a4 or poster-a3'],
      ['--out FILE', 'where the PDF goes'],
    ],
  },
  results: {
    line: 'belltag results PLAN SALES [--by promotion,store,day,item]',
    answers: 'JSON Lines: what each promotion brought, out of a file of sales (JSON Lines).',
    options: [['--by KEYS', 'what is told apart, with commas between; without it promotion']],
  },
  loopholes: {
    line: 'belltag loopholes PLAN --store S --at T [--units N] [--group G]... [--shopper ID] [--code C]... [--payment P]',
    answers: 'JSON Lines: the baskets that leave the least, and last how far was looked.',
    options: [
      STORE,
      AT,
      ['--units N', 'the most units of a basket, up to 40; without it 12'],
      GROUP,
      SHOPPER,
      ['--code C', 'a code that the shopper has; may stand more than once'],
      ['--payment P', 'the way of payment'],
    ],
  },
} as const satisfies Record<string, Usage>;

export type CallName = keyof typeof USAGES;

const ENDS = `PLAN is the path of a plan document, - is standard input; what stands after -- is no option.
Answers go to standard output, messages to standard error. It ends with 0 where it answered, with 2 where the document
or the question is not right (one line a fault), with 1 where it failed by itself.`;

/** Every call, in a line each. */
export const allUsage = (): string =>
  [
    ...Object.values(USAGES).map(({ line }) => line),
    '',
    'belltag CALL --help tells more of one; belltag --version tells which this is.',
    ENDS,
  ].join('\n');

/** One call with its options. */
export function usageOf(name: CallName): string {
  const { line, answers, options = [] }: Usage = USAGES[name];
  const width = Math.max(0, ...options.map(([option]) => option.length));
  return [
    line,
    '',
    answers,
    ...(options.length > 0 ? [''] : []),
    ...options.map(([option, what]) => `  ${option.padEnd(width)}  ${what}`),
    '',
    ENDS,
  ].join('\n');
}
