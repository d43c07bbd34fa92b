import { chain } from '../demo/chain.ts';
import { parsePlan } from '../src/contracts/index.ts';
import { type FormulaDocument, readFormula, readPromotion, readRounding } from '../src/core/plan/index.ts';
import { compile } from '../src/core/price-book/index.ts';
import { filterCounts, runPasses, sheetFacts, sheetSums, shownLines } from '../src/core/worksheet/index.ts';
import { share, timesOf } from './median.ts';

const LINES = 5000;
const A_FRAME = 50;

/** What the worker does after one edit of a sheet of 5,000 lines: passes, filter, order, counts and sums. */
export async function benchWorksheet(): Promise<string[]> {
  const size = { stores: 6, zones: 4, terminals: 6, items: 7000, priceChanges: 40 };
  const parsed = parsePlan(chain(size, '2026-11-25'));
  if (!parsed.ok) throw new Error('the chain has faults');
  const compiled = compile(parsed.plan);
  const { currency } = parsed.plan;
  const when = { from: '2026-12-01T09:00', to: '2026-12-07T20:00' };
  const offer = { kind: 'priceChange' as const, items: { items: [] }, formula: { percentOff: 0 } };
  const draft = readPromotion({ id: 'sheet', name: 'Sheet', status: 'draft', when, offer }, currency);
  const formulas: FormulaDocument[] = [
    { percentOff: 1250 },
    { basis: 'regular', multiplyBy: '0.87' },
    { marginOnPrice: 2500 },
  ];
  const facts = sheetFacts(compiled, {
    draft,
    passes: [{ all: true as const }, { node: 'beauty' }, { tag: 'natural' }].map((items) => ({
      items,
      list: null,
    })),
    added: [],
    prefer: null,
  });
  const lines = facts.lines.slice(0, LINES);
  const rounding = readRounding({ endings: ['0.49', '0.99'], mode: 'nearest' }, currency);
  const passes = formulas.map((formula) => ({ formula: readFormula(formula, currency), rounding }));
  const work = (run: number) => ({
    passes,
    own: new Map([[lines[run % lines.length]!.sku, 499 as never]]),
    removed: new Set<string>(),
    costs: { all: null, of: new Map() },
    marginFloor: 1000,
  });
  const times = await timesOf((run) => {
    const results = runPasses(lines, work(run));
    shownLines(lines, results, {
      filter: 'all',
      text: '',
      sort: { field: 'margin', descending: false },
      marginFloor: 1000,
    });
    filterCounts(lines, results, 1000);
    sheetSums(lines, results);
  }, 60);
  const [middle, worst] = [share(times), share(times, 0.95)];
  return [
    `a worksheet of ${lines.length.toLocaleString('en')} lines and 3 passes, recomputed after one edit, sorted and filtered:`,
    `  in the worker     ${middle.toFixed(1)} ms, p95 ${worst.toFixed(1)} ms   ${(A_FRAME / middle).toFixed(1)} times within ${A_FRAME} ms`,
  ];
}
