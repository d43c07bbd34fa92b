import { parseSale } from '../../src/contracts/index.ts';
import { formatAmount, minorUnits } from '../../src/core/money/index.ts';
import type { Fault } from '../../src/core/plan/index.ts';
import { compile } from '../../src/core/price-book/index.ts';
import {
  RESULT_KEYS,
  type Result,
  type ResultKey,
  resultSums,
  resultsPlan,
} from '../../src/core/results/index.ts';
import { optional, Refused, readArguments, refuse } from './arguments.ts';
import { jsonLines } from './json-lines.ts';
import { readPlanFile } from './plan-file.ts';

/** More of them help nobody. */
const FAULTS_TOLD = 100;

/** `belltag results PLAN SALES [--by promotion,store,day,item]`: JSON Lines, what each promotion brought. */
export async function results(words: readonly string[], print: (line: string) => void): Promise<void> {
  const args = readArguments(words, ['by'], 2);
  const [planFile, sales] = args.positional;
  if (sales === undefined)
    refuse([], 'no sales are named', 'the path of a file of sales, or - for standard input');
  if (planFile === '-' && sales === '-')
    refuse([], 'plan and sales both come from standard input', 'a file for one of them');
  const by = keysOf(optional(args, 'by') ?? 'promotion');
  const plan = readPlanFile(planFile);
  const sums = resultSums(resultsPlan(compile(plan)), by);
  const faults: Fault[] = [];
  for await (const one of jsonLines(sales!, 'sales')) {
    const path = [`line ${one.line}`];
    if (!one.ok) faults.push({ path, what: one.error, wanted: 'one sale a line, as JSON' });
    else {
      const sale = parseSale(one.raw, plan.currency);
      if (sale.ok) sums.add(sale.value);
      else faults.push(...sale.faults.map((fault) => ({ ...fault, path: [...path, ...fault.path] })));
    }
    if (faults.length >= FAULTS_TOLD) break;
  }
  // Sums that leave out what could not be read would be taken for all.
  if (faults.length > 0) throw new Refused(faults);
  const money = (amount: number) => formatAmount(minorUnits(amount), plan.currency);
  for (const result of sums.results()) print(JSON.stringify(told(result, money)));
}

const told = (
  { keys, receipts, units, takings, reduction, cost }: Result,
  money: (amount: number) => string,
): object => ({
  ...keys,
  receipts,
  units,
  takings: money(takings),
  reduction: money(reduction),
  cost: cost === null ? null : money(cost),
  margin: cost === null ? null : money(takings - cost),
});

function keysOf(text: string): ResultKey[] {
  const keys = text.split(',').map((key) => key.trim());
  const isKey = (key: string): key is ResultKey => RESULT_KEYS.some((one) => one === key);
  const wrong = keys.find((key, i) => !isKey(key) || keys.indexOf(key) !== i);
  if (wrong !== undefined)
    refuse(['--by'], `"${wrong}" is none to tell results apart by, or is said twice`, RESULT_KEYS.join(', '));
  return keys.filter(isKey);
}
