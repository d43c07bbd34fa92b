import { currencyOf, type MinorUnits, parseAmount } from '../../core/money/index.ts';
import { readFormula, readRounding } from '../../core/plan/index.ts';
import {
  filterCounts,
  runPasses,
  type SheetLine,
  type SheetLook,
  type SheetWork,
  sheetSums,
  shownLines,
} from '../../core/worksheet/index.ts';
import type { FromWorker, PlainWork, ToWorker } from './messages.ts';

/** Holds the lines, and runs the passes over them away from the page, which stays quick under the fingers. */
let lines: readonly SheetLine[] = [];

self.addEventListener('message', ({ data }: MessageEvent<ToWorker>) => {
  if (data.kind === 'lines') {
    lines = data.lines;
    return;
  }
  const answer = answerTo(data.number, data.work, data.look);
  self.postMessage(answer, { transfer: [answer.shown.buffer] });
});

function answerTo(number: number, work: PlainWork, look: SheetLook): FromWorker {
  const start = performance.now();
  const results = runPasses(lines, readWork(work, look.marginFloor));
  return {
    number,
    results,
    shown: shownLines(lines, results, look),
    counts: filterCounts(lines, results, look.marginFloor),
    sums: sheetSums(lines, results),
    took: performance.now() - start,
  };
}

function readWork(work: PlainWork, marginFloor: number | null): SheetWork {
  const currency = currencyOf(work.currency)!;
  const amounts = (record: Readonly<Record<string, string>>) =>
    new Map(
      Object.entries(record).flatMap(([sku, text]): [string, MinorUnits][] => {
        const amount = parseAmount(text, currency);
        return amount === null ? [] : [[sku, amount]];
      }),
    );
  return {
    passes: work.passes.map(({ formula, rounding }) => ({
      formula: readFormula(formula, currency),
      rounding: rounding ? readRounding(rounding, currency) : null,
    })),
    own: amounts(work.own),
    removed: new Set(work.removed),
    costs: { all: work.cost === null ? null : parseAmount(work.cost, currency), of: amounts(work.costs) },
    marginFloor,
  };
}
