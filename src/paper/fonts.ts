import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';

/** What is set in which face. */
export type Face = 'text' | 'strong' | 'figure';

const FACES: Readonly<Record<Face, readonly [pack: string, weight: number]>> = {
  text: ['inter', 400],
  strong: ['inter', 600],
  figure: ['source-serif-4', 600],
};

const packages = createRequire(import.meta.url);

/** A face comes in files by script, the plainest first. */
const SCRIPTS = [
  'latin',
  'cyrillic',
  'cyrillic-ext',
  'greek',
  'greek-ext',
  'latin-ext',
  'vietnamese',
] as const;
export type Script = (typeof SCRIPTS)[number];

type Range = readonly [first: number, last: number];

/** The letters of each file, as the package says them (CSS unicode-range: "U+0000-00FF,U+0131"). */
const letters = (): ReadonlyMap<Script, readonly Range[]> => {
  const told = packages('@fontsource/inter/unicode.json') as Readonly<Record<Script, string>>;
  return new Map(SCRIPTS.map((script) => [script, told[script].split(',').map(rangeOf)]));
};
let known: ReturnType<typeof letters> | undefined;

function rangeOf(text: string): Range {
  const [first = 0, last = first] = text
    .slice('U+'.length)
    .split('-')
    .map((code) => Number.parseInt(code, 16));
  return [first, last];
}

/** The file that has a letter; undefined where none has. */
function fileOf(letter: string): Script | undefined {
  known ??= letters();
  const code = letter.codePointAt(0)!;
  return SCRIPTS.find((script) => known!.get(script)!.some(([first, last]) => code >= first && code <= last));
}

/** The file by which a letter is set: one that none has is shown as a box. */
export const scriptOf = (letter: string): Script => fileOf(letter) ?? 'latin';

/** Whether all letters of a text can be set. */
export const canBeSet = (text: string): boolean => [...text].every((letter) => fileOf(letter) !== undefined);

/** The bytes of a font that ships with the application (WOFF: of WOFF 2 no subset can be made). */
export function fontFile(face: Face, script: Script): Buffer {
  const [pack, weight] = FACES[face];
  return readFileSync(packages.resolve(`@fontsource/${pack}/files/${pack}-${script}-${weight}-normal.woff`));
}
