import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';

/** What is set in which face. */
export type Face = 'text' | 'strong' | 'figure';

const FACES: Readonly<Record<Face, readonly [pack: string, weight: number]>> = {
  text: ['inter', 400],
  strong: ['inter', 600],
  figure: ['source-serif-4', 600],
};

/** A face comes in files by script; these two hold the letters of most languages of Latin script. */
export type Script = 'latin' | 'latin-ext';

/** The letters that the first file has (CSS unicode-range of the package), without those that nobody prints. */
const LATIN = /^[ -\u00ff\u0131\u0152\u0153\u02c6\u02da\u02dc\u2000-\u206f\u20ac\u2122\u2212]$/u;

export const scriptOf = (letter: string): Script => (LATIN.test(letter) ? 'latin' : 'latin-ext');

const packages = createRequire(import.meta.url);

/** The bytes of a font that ships with the application (WOFF: of WOFF 2 no subset can be made). */
export function fontFile(face: Face, script: Script): Buffer {
  const [pack, weight] = FACES[face];
  return readFileSync(packages.resolve(`@fontsource/${pack}/files/${pack}-${script}-${weight}-normal.woff`));
}
