import { existsSync, readFileSync, rmSync } from 'node:fs';
import { onceFor } from './freshness.mjs';
import { inRoot } from './paths.mjs';

const SOURCES = [
  'bin/headless',
  'bin/set-up/headless.mjs',
  'src/core',
  'src/contracts',
  'src/paper',
  'package.json',
  'package-lock.json',
];

/** Bundles the headless command into one file, so that it starts quickly. False where packages are missing. */
export async function headlessBundle() {
  if (!existsSync(inRoot('node_modules/esbuild'))) return false;
  await onceFor('dist/.belltag-stamp', SOURCES, async () => {
    rmSync(inRoot('dist/belltag.cjs.v8'), { force: true });
    const { version } = JSON.parse(readFileSync(inRoot('package.json'), 'utf8'));
    await bundle('bin/headless/main.ts', 'dist/belltag.cjs', {
      ...{ format: 'cjs', minify: true },
      // What an ES module is told of itself.
      banner: { js: "const importMetaUrl = require('node:url').pathToFileURL(__filename).href;" },
      // Large, read files of their own, and are wanted by one call.
      external: ['pdfkit', 'bwip-js'],
      define: { BELLTAG_VERSION: JSON.stringify(version), 'import.meta.url': 'importMetaUrl' },
    });
  });
  return true;
}

/** One self-contained ES module for Node.js. */
export async function bundle(entry, outfile, options = {}) {
  const { build } = await import('esbuild');
  await build({
    entryPoints: [inRoot(entry)],
    outfile: inRoot(outfile),
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    minify: false,
    legalComments: 'none',
    logLevel: 'warning',
    // Packages written for CommonJS ask for these.
    banner: {
      js: "import { createRequire as requireFrom } from 'node:module'; const require = requireFrom(import.meta.url);",
    },
    ...options,
  });
}
