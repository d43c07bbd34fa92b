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
 * Reads `--name value` and `--name=value`.
 * @param known names that the call takes; another one is refused.
 */
export function readArguments(words: readonly string[], known: readonly string[]): Arguments {
  const positional: string[] = [];
  const options = new Map<string, string[]>();
  for (let i = 0; i < words.length; i++) {
    const word = words[i]!;
    if (!word.startsWith('--')) {
      positional.push(word);
      continue;
    }
    const [name, joined] = split(word.slice(2));
    if (!known.includes(name))
      refuse([`--${name}`], 'no such option', known.map((k) => `--${k}`).join(', ') || 'no options');
    const value = joined ?? words[++i];
    if (value === undefined) refuse([`--${name}`], 'no value', 'a value after it');
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
