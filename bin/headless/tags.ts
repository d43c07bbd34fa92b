import { writeFileSync } from 'node:fs';
import { parseLocalDate } from '../../src/core/calendar/index.ts';
import { formatAmount, type MinorUnits } from '../../src/core/money/index.ts';
import { compile } from '../../src/core/price-book/index.ts';
import { namesOf } from '../../src/core/sentence/index.ts';
import { tagsOfDay, tagText } from '../../src/core/shelf-tags/index.ts';
import { HOUSE_WRITING } from '../../src/core/writing/index.ts';
import { DEFAULT_PAPER, PAPERS, paperOf, tagsPdf } from '../../src/paper/index.ts';
import { one, optional, readArguments, refuse } from './arguments.ts';
import { readPlan } from './plan-file.ts';
import { placeOf } from './question.ts';

/** `belltag tags PLAN --store S --day D [--all] [--paper NAME] --out FILE`: a PDF, and JSON Lines, one a tag. */
export async function tags(words: readonly string[], print: (line: string) => void): Promise<void> {
  const args = readArguments(words, ['store', 'day', 'all', 'paper', 'out'], 1, ['all']);
  const { document, plan } = readPlan(args.positional[0]);
  const compiled = compile(plan);
  const { store } = placeOf(args, compiled);
  const said = one(args, 'day');
  const day = parseLocalDate(said) ?? refuse(['--day'], `"${said}" is no date`, 'a date such as 2027-03-01');
  const named = optional(args, 'paper') ?? DEFAULT_PAPER;
  const paper =
    paperOf(named) ?? refuse(['--paper'], `no paper "${named}"`, PAPERS.map(({ name }) => name).join(', '));
  const out = one(args, 'out');
  const found = tagsOfDay(compiled, {
    store,
    day,
    ...(args.options.has('all') ? { which: 'all' } : {}),
  }).tags;
  const promotions = new Map(document.promotions.map((promotion) => [promotion.id, promotion]));
  const speech = {
    ...{
      currency: plan.currency,
      names: namesOf(document),
      language: HOUSE_WRITING.language,
      tellsLowest: true,
    },
    promotion: (id: string) => promotions.get(id),
  };
  const title = `Shelf tags of ${store.name}, ${said}`;
  const { pdf, short } = await tagsPdf({
    paper,
    title,
    day: said,
    tags: found.map((tag) => tagText(tag, speech)),
  });
  if (short.length > 0)
    process.stderr.write(`not all fits on the tags of ${short.join(', ')}; a larger paper has more room\n`);
  try {
    writeFileSync(out, pdf);
  } catch (error) {
    refuse(
      ['--out'],
      `${out} cannot be written (${(error as NodeJS.ErrnoException).code})`,
      'a path for the PDF',
    );
  }
  const money = (amount: MinorUnits | null) => (amount === null ? null : formatAmount(amount, plan.currency));
  for (const { sku, name, price, was, promotion, unitPrice, lowestBefore, gtin, shelf } of found)
    print(
      JSON.stringify({
        ...{ sku, name, price: money(price), was: money(was), promotion },
        ...{ unitPrice: money(unitPrice?.price ?? null), unit: unitPrice?.of ?? null },
        ...{ lowestBefore: money(lowestBefore), gtin, shelf },
      }),
    );
}
