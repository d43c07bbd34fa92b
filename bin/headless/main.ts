import { describeFault } from '../../src/core/plan/index.ts';
import { Refused, readArguments, refuse } from './arguments.ts';
import { basket } from './basket.ts';
import { book } from './book.ts';
import { loopholes } from './loopholes.ts';
import { overlaps } from './overlaps.ts';
import { readPlanFile } from './plan-file.ts';
import { price } from './price.ts';
import { results } from './results.ts';
import { timeline } from './timeline.ts';
import { allUsage, type CallName, usageOf } from './usage.ts';

/** Put in as the bundle is made. */
declare const BELLTAG_VERSION: string;

type Call = (words: readonly string[], print: (line: string) => void) => void | Promise<void>;
/** What makes PDFs is large: whoever asks for a price does not wait for it. */
const tags: Call = async (words, print) => (await import('./tags.ts')).tags(words, print);

const CALLS: Readonly<Record<CallName, Call>> = {
  ...{ check, price, book, timeline, basket, overlaps, loopholes, tags, results },
};

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

const isCall = (name: string): name is CallName => Object.hasOwn(CALLS, name);

const HELP = ['--help', '-h'];

/** What is told of the program instead of being worked out; null: something is to be worked out. */
function toldOf(name: string, rest: readonly string[]): string | null {
  if (name === '--version') return `belltag ${BELLTAG_VERSION}`;
  const end = rest.indexOf('--');
  const asked = (end < 0 ? rest : rest.slice(0, end)).some((word) => HELP.includes(word));
  if (isCall(name)) return asked ? usageOf(name) : null;
  if (name === 'help' && isCall(rest[0] ?? '')) return usageOf(rest[0] as CallName);
  return ['', 'help', ...HELP].includes(name) ? allUsage() : null;
}

/** Runs one call; answers go to standard output, messages to standard error. */
export async function main(words: readonly string[]): Promise<void> {
  const [name = '', ...rest] = words;
  endQuietlyWhereNobodyReads();
  const told = toldOf(name, rest);
  if (told !== null) {
    process.stdout.write(`${told}\n`);
    return;
  }
  const lines: string[] = [];
  try {
    const call = isCall(name) ? CALLS[name] : refuse([], `no call "${name}"`, Object.keys(CALLS).join(', '));
    await call(rest, (line) => lines.push(line));
    if (lines.length > 0) process.stdout.write(`${lines.join('\n')}\n`);
  } catch (error) {
    if (!(error instanceof Refused)) {
      process.stderr.write(`belltag: it failed by itself: ${(error as Error).stack ?? error}\n`);
      process.exitCode = 1;
      return;
    }
    // The faults are what `check` answers; for every other call they are a message.
    const out = name === 'check' ? process.stdout : process.stderr;
    out.write(`${error.faults.map(describeFault).join('\n')}\n`);
    process.exitCode = 2;
  }
}

void main(process.argv.slice(2));
