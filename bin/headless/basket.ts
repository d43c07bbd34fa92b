import { parseBasket } from '../../src/contracts/index.ts';
import { describeFault } from '../../src/core/plan/index.ts';
import { type CompiledPlan, compile } from '../../src/core/price-book/index.ts';
import { receiptDocument, ringBasket } from '../../src/core/receipt/index.ts';
import { optional, readArguments, refuse } from './arguments.ts';
import { type Voucher, voucherOf } from './code-file.ts';
import { jsonLines } from './json-lines.ts';
import { readPlanFile } from './plan-file.ts';

/**
 * `belltag basket PLAN BASKETS [--codes FILE]`: JSON Lines of baskets in, receipts out in the same order, one at a time: however
 * many there are, no more than one is held. A bad basket is told on its line and the rest go on.
 */
export async function basket(words: readonly string[]): Promise<void> {
  const args = readArguments(words, ['codes'], 2);
  const { positional } = args;
  const [plan, baskets] = positional;
  if (baskets === undefined)
    refuse([], 'no baskets are named', 'the path of a file of baskets, or - for standard input');
  if (plan === '-' && baskets === '-')
    refuse([], 'plan and baskets both come from standard input', 'a file for one of them');
  const compiled = compile(readPlanFile(plan));
  const vouch = voucherOf(optional(args, 'codes'), compiled);
  for await (const line of jsonLines(baskets!, 'baskets'))
    await write(`${JSON.stringify(line.ok ? answer(line.raw, compiled, vouch) : { error: line.error })}\n`);
}

function answer(raw: unknown, compiled: CompiledPlan, vouch: Voucher): object {
  const parsed = parseBasket(raw, compiled);
  if (parsed.ok) {
    const basket = { ...parsed.basket, vouched: vouch(parsed.basket.codes) };
    return receiptDocument(ringBasket(compiled, basket), compiled.plan.currency);
  }
  const id = (raw as { id?: unknown } | null)?.id;
  return {
    ...(typeof id === 'string' ? { id } : {}),
    error: parsed.faults.map(describeFault).join('; '),
  };
}

/** Waits where the reader is slower than we are. */
function write(text: string): Promise<void> | void {
  if (process.stdout.write(text)) return;
  return new Promise((resolve) => process.stdout.once('drain', resolve));
}
