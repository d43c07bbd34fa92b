import type { Fault } from '../../src/core/plan/index.ts';

/** A document or a question that cannot be answered: exit 2, one line a fault. */
export class Refused extends Error {
  constructor(readonly faults: readonly Fault[]) {
    super('refused');
  }
}

export const refuse = (path: Fault['path'], what: string, wanted: string): never => {
  throw new Refused([{ path, what, wanted }]);
};

export interface Arguments {
  readonly positional: readonly string[];
  readonly options: ReadonlyMap<string, readonly string[]>;
}

/**
 * Reads `--name value` and `--name=value`. After `--` nothing is an option any more; `-` alone is standard input, and
 * none either.
 * @param known names that the call takes; another one is refused.
 * @param files how many files the call takes, the plan among them; one more is refused.
 * @param bare names that stand without a value.
 */
export function readArguments(
  words: readonly string[],
  known: readonly string[],
  files = 1,
  bare: readonly string[] = [],
): Arguments {
  const end = words.indexOf('--');
  const before = end < 0 ? words : words.slice(0, end);
  const { positional, options } = readOptions(before, known, bare);
  const all = end < 0 ? positional : [...positional, ...words.slice(end + 1)];
  const more = all[files];
  if (more !== undefined)
    refuse([], `"${more}" is one more than is taken`, files === 1 ? 'one file' : `${files} files`);
  return { positional: all, options };
}

function readOptions(words: readonly string[], known: readonly string[], bare: readonly string[]): Arguments {
  const positional: string[] = [];
  const options = new Map<string, string[]>();
  for (let i = 0; i < words.length; i++) {
    const word = words[i]!;
    if (!word.startsWith('-') || word === '-') {
      positional.push(word);
      continue;
    }
    if (!word.startsWith('--'))
      refuse([word], 'no such option', `options begin with --; a file of that name stands after --`);
    const [name, joined] = split(word.slice(2));
    if (!known.includes(name))
      refuse([`--${name}`], 'no such option', known.map((k) => `--${k}`).join(', ') || 'no options');
    if (bare.includes(name)) {
      if (joined !== undefined) refuse([`--${name}`], 'it takes no value', `--${name} alone`);
      options.set(name, ['']);
      continue;
    }
    const value = joined ?? words[++i];
    // What looks like the next option is no value; one that does begin so is joined by "=".
    if (value === undefined || (joined === undefined && value.startsWith('--')))
      refuse([`--${name}`], 'no value', 'a value after it');
    options.set(name, [...(options.get(name) ?? []), value!]);
  }
  return { positional, options };
}

function split(word: string): [string, string | undefined] {
  const at = word.indexOf('=');
  return at < 0 ? [word, undefined] : [word.slice(0, at), word.slice(at + 1)];
}

/** The one value of an option; refused where it is missing or stands twice. */
export function one(args: Arguments, name: string): string {
  const value = optional(args, name);
  return value ?? refuse([`--${name}`], 'it is missing', `--${name} with a value`);
}

export function optional(args: Arguments, name: string): string | undefined {
  const values = args.options.get(name) ?? [];
  if (values.length > 1) refuse([`--${name}`], 'it stands more than once', 'one value');
  return values[0];
}
