import { createReadStream } from 'node:fs';
import { createInterface } from 'node:readline';
import { refuse } from './arguments.ts';

export type JsonLine =
  | { readonly ok: true; readonly line: number; readonly raw: unknown }
  | { readonly ok: false; readonly line: number; readonly error: string };

/**
 * The lines of a file of JSON Lines, one at a time: however many there are, no more than one is held.
 * @param path `-`: standard input.
 * @param what the file holds, in words.
 */
export async function* jsonLines(path: string, what: string): AsyncGenerator<JsonLine> {
  const input = path === '-' ? process.stdin : createReadStream(path);
  const lines = createInterface({ input, crlfDelay: Number.POSITIVE_INFINITY });
  // Told below: without anybody who hears it here, it would end the process.
  input.on('error', () => {});
  try {
    let line = 0;
    for await (const text of lines) {
      line += 1;
      if (text.trim() !== '') yield read(text, line);
    }
    // A file that cannot be opened ends the lines without a word.
    if (input.errored) throw input.errored;
  } catch (error) {
    const { code, message } = error as NodeJS.ErrnoException;
    refuse([], `${path} cannot be read (${code ?? message})`, `the path of a file of ${what}`);
  }
}

function read(text: string, line: number): JsonLine {
  try {
    return { ok: true, line, raw: JSON.parse(text.replace(/^\uFEFF/, '')) };
  } catch (error) {
    return { ok: false, line, error: `it is no JSON (${(error as Error).message})` };
  }
}
