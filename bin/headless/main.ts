import { describeFault } from '../../src/core/plan/index.ts';
import { Refused, readArguments, refuse } from './arguments.ts';
import { basket } from './basket.ts';
import { book } from './book.ts';
import { loopholes } from './loopholes.ts';
import { overlaps } from './overlaps.ts';
import { readPlanFile } from './plan-file.ts';
import { price } from './price.ts';
import { timeline } from './timeline.ts';

const USAGE = `belltag check PLAN
belltag price PLAN --store S --item SKU --at T [--group G]... [--channel C] [--ladder N]
belltag book PLAN --store S --at T
belltag timeline PLAN --store S --item SKU --from T --to T
belltag basket PLAN BASKETS
belltag overlaps PLAN [--from T --to T]
belltag loopholes PLAN --store S --at T [--units N] [--group G]... [--code C]... [--payment P]`;

type Call = (words: readonly string[], print: (line: string) => void) => void | Promise<void>;
const CALLS: Readonly<Record<string, Call>> = { check, price, book, timeline, basket, overlaps, loopholes };

/** `belltag check PLAN`: nothing, or the faults. */
function check(words: readonly string[]): void {
  readPlanFile(readArguments(words, []).positional[0]);
}

/** `belltag … | head` closes the pipe once it has seen enough: that is no fault of ours, nor anybody's. */
function endQuietlyWhereNobodyReads(): void {
  process.stdout.on('error', (error: NodeJS.ErrnoException) => {
    if (error.code !== 'EPIPE') throw error;
    process.exit(0);
  });
}

/** Runs one call; answers go to standard output, messages to standard error. */
export async function main(words: readonly string[]): Promise<void> {
  const [name = '', ...rest] = words;
  if (['', 'help', '--help', '-h'].includes(name)) {
    process.stdout.write(`${USAGE}\n`);
    return;
  }
  endQuietlyWhereNobodyReads();
  const lines: string[] = [];
  try {
    const call = CALLS[name] ?? refuse([], `no call "${name}"`, Object.keys(CALLS).join(', '));
    await call(rest, (line) => lines.push(line));
    if (lines.length > 0) process.stdout.write(`${lines.join('\n')}\n`);
  } catch (error) {
    if (!(error instanceof Refused)) throw error;
    // The faults are what `check` answers; for every other call they are a message.
    const out = name === 'check' ? process.stdout : process.stderr;
    out.write(`${error.faults.map(describeFault).join('\n')}\n`);
    process.exitCode = 2;
  }
}

void main(process.argv.slice(2));
