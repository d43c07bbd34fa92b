import { existsSync, readFileSync } from 'node:fs';

/** The fonts of the house, as they lie among the packages; without them the pages are set in what the machine has. */
const FONTS: Readonly<Record<string, string>> = {
  text: 'inter/files/inter-latin-wght-normal.woff2',
  head: 'source-serif-4/files/source-serif-4-latin-wght-normal.woff2',
};

const read = new Map<string, Buffer | null>();

export function fontOf(name: string): Buffer | null {
  const file = FONTS[name];
  if (file === undefined) return null;
  const found = read.get(name);
  if (found !== undefined) return found;
  const path = `node_modules/@fontsource-variable/${file}`;
  const bytes = existsSync(path) ? readFileSync(path) : null;
  read.set(name, bytes);
  return bytes;
}
