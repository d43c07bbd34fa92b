import { createReadStream } from 'node:fs';
import { createInterface } from 'node:readline';
import { parseBasket } from '../../src/contracts/index.ts';
import { describeFault } from '../../src/core/plan/index.ts';
import { type CompiledPlan, compile } from '../../src/core/price-book/index.ts';
import { receiptDocument, ringBasket } from '../../src/core/receipt/index.ts';
import { optional, readArguments, refuse } from './arguments.ts';
import { type Voucher, voucherOf } from './code-file.ts';
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
  const input = baskets === '-' ? process.stdin : createReadStream(baskets!);
  const lines = createInterface({ input, crlfDelay: Number.POSITIVE_INFINITY });
  const unreadable = new Promise<never>((_, reject) => {
    input.once('error', reject);
  });
  unreadable.catch(() => {});
  try {
    for await (const line of lines) {
      if (line.trim() === '') continue;
      await write(`${JSON.stringify(answer(line, compiled, vouch))}\n`);
    }
    // A file that cannot be opened ends the lines without a word.
    if (input.errored) throw input.errored;
  } catch (error) {
    refuse(
      [],
      `${baskets} cannot be read (${(error as NodeJS.ErrnoException).code ?? (error as Error).message})`,
      'the path of a file of baskets',
    );
  }
}

function answer(line: string, compiled: CompiledPlan, vouch: Voucher): object {
  let raw: unknown;
  try {
    raw = JSON.parse(line.replace(/^\uFEFF/, ''));
  } catch (error) {
    return { error: `it is no JSON (${(error as Error).message})` };
  }
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
