import { readdirSync, readFileSync } from 'node:fs';
import { dirname, join, normalize } from 'node:path';

export interface Import {
  readonly from: string;
  readonly to: string;
  /** Erased when compiled: `import type`. */
  readonly typeOnly: boolean;
}

const FOLDERS = ['src', 'tills', 'bin', 'demo'];
const SOURCE = /\.(ts|tsx|mjs|astro)$/;
const IMPORT = /^\s*(?:import|export)\s+(type\s+)?(?:[^'";]*?\sfrom\s+)?'(\.{1,2}\/[^']+)'/gm;

const filesUnder = (folder: string): string[] =>
  readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    const path = join(folder, entry.name);
    if (entry.isDirectory()) return filesUnder(path);
    return SOURCE.test(entry.name) && !entry.name.includes('.test.') ? [path] : [];
  });

export const sources = (): string[] => FOLDERS.flatMap(filesUnder);

export const importsOf = (file: string): Import[] =>
  [...readFileSync(file, 'utf8').matchAll(IMPORT)].map(([, type, path]) => ({
    from: file,
    to: normalize(join(dirname(file), path!)),
    typeOnly: type !== undefined,
  }));

/** Names of packages and built-in modules that a file imports. */
export const packagesOf = (file: string): string[] =>
  [...readFileSync(file, 'utf8').matchAll(/^\s*(?:import|export)\s[^'";]*?from\s+'([^.'][^']*)'/gm)].map(
    ([, name]) => name!,
  );
