import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { type Import, importsOf, packagesOf, sources } from './sources.ts';

/** What each layer may import besides itself; docs/architecture.md draws it. */
const MAY_IMPORT: Readonly<Record<string, readonly string[]>> = {
  core: [],
  contracts: ['core'],
  signing: ['core', 'contracts'],
  paper: ['core'],
  usecases: ['core', 'contracts', 'signing'],
  db: ['core', 'contracts', 'usecases'],
  server: ['core', 'contracts', 'signing', 'usecases', 'db', 'paper'],
  ui: ['core', 'contracts'],
  islands: ['ui', 'core', 'contracts'],
  pages: ['server', 'contracts', 'ui', 'islands'],
  middleware: ['server', 'contracts', 'ui'],
  env: ['contracts'],
  tills: ['core', 'contracts', 'signing'],
  bin: ['core', 'contracts', 'demo', 'paper', 'db', 'server', 'usecases'],
  demo: ['core', 'contracts'],
};

/** "core" of "src/core/money/index.ts", "tills" of "tills/till.ts". */
const layerOf = (path: string): string => {
  const parts = path.split('/');
  return (parts[0] === 'src' ? parts[1]! : parts[0]!).replace(/\.(d\.)?ts$/, '');
};
const all = sources();
const imports = all.flatMap(importsOf);
const told = ({ from, to }: Import) => `${from} → ${to}`;

describe('the layers', () => {
  it('are all seen by this test', () => {
    expect(new Set(all.map(layerOf))).toEqual(new Set(Object.keys(MAY_IMPORT)));
    expect(imports.length).toBeGreaterThan(all.length);
  });

  it('import only what lies beneath them', () => {
    const wrong = imports.filter(({ from, to }) => {
      const [layer, other] = [layerOf(from), layerOf(to)];
      return layer !== other && !MAY_IMPORT[layer]?.includes(other);
    });
    expect(wrong.map(told)).toEqual([]);
  });

  it('leave pages to nobody, and ports of the use cases to the database as types', () => {
    const wrong = imports.filter(
      ({ from, to, typeOnly }) =>
        (layerOf(to) === 'pages' && layerOf(from) !== 'pages') ||
        (layerOf(from) === 'db' && layerOf(to) === 'usecases' && !typeOnly),
    );
    expect(wrong.map(told)).toEqual([]);
  });

  it('let only the set-up of the demo reach below the application', () => {
    const wrong = imports.filter(
      ({ from, to }) =>
        layerOf(from) === 'bin' &&
        ['db', 'server', 'usecases'].includes(layerOf(to)) &&
        !from.startsWith('bin/prepare/'),
    );
    expect(wrong.map(told)).toEqual([]);
  });
});

describe('the core', () => {
  it('knows three packages, and nothing of the machine it runs on', () => {
    const allowed = new Set(['rrule', 'temporal-polyfill']);
    const wrong = all
      .filter((file) => layerOf(file) === 'core')
      .flatMap((file) =>
        packagesOf(file)
          .filter((name) => !allowed.has(name))
          .map((name) => `${file} → ${name}`),
      );
    expect(wrong).toEqual([]);
  });

  it('asks neither a clock nor chance nor the environment', () => {
    const hidden = /\bDate\.now\b|\bnew Date\(\)|\bMath\.random\b|\bprocess\.|\bfetch\(|\bcrypto\./;
    expect(all.filter((file) => layerOf(file) === 'core' && hidden.test(readFileSync(file, 'utf8')))).toEqual(
      [],
    );
  });

  /** Where every kind of offer stands once: it alone looks into their rooms. */
  const REGISTRIES = ['plan/offers.ts', 'receipt/unit-offers.ts', 'sentence/offers.ts'].map(
    (file) => `src/core/${file}`,
  );
  const isRoom = (path: string) => /^src\/core\/offer\/[^/]+\//.test(path);

  it('is entered by the index of a concept, the rooms of offers by the registries of their kinds', () => {
    const concept = (path: string) => path.split('/').slice(0, 3).join('/');
    const wrong = imports.filter(
      ({ from, to }) =>
        layerOf(to) === 'core' &&
        concept(from) !== concept(to) &&
        !to.endsWith('/index.ts') &&
        !(isRoom(to) && REGISTRIES.includes(from)),
    );
    expect(wrong.map(told)).toEqual([]);
  });
});

describe('all sources', () => {
  it('leave the solver to itself: it knows of contenders and units, and of nothing else', () => {
    const within = (file: string) => file.startsWith('src/core/assignment/');
    const from = imports.filter(({ from: file }) => within(file));
    expect(from.length).toBeGreaterThan(20);
    expect(from.filter(({ to }) => !within(to)).map(told)).toEqual([]);
  });

  it('have no cycle of imports that stay when compiled', () => {
    expect(cyclesIn(all, (file) => file)).toEqual([]);
  });

  it('nor one of their folders', () => {
    const folderOf = (file: string) => file.split('/').slice(0, -1).join('/');
    const within = all.filter((file) => file.startsWith('src/'));
    expect(cyclesIn(within, folderOf)).toEqual([]);
  });

  it('have no catch-all file', () => {
    expect(all.filter((file) => /\/(utils?|helpers?|types|common|misc)\.(ts|tsx|mjs)$/.test(file))).toEqual(
      [],
    );
  });

  it('are short: no file over 350 lines', () => {
    expect(all.filter((file) => readFileSync(file, 'utf8').split('\n').length > 350)).toEqual([]);
  });
});

/** Rings of imports that stay when compiled, between files or what they are gathered into. */
function cyclesIn(files: readonly string[], gather: (file: string) => string): string[] {
  const next = new Map<string, Set<string>>();
  for (const { from, to, typeOnly } of files.flatMap(importsOf)) {
    if (typeOnly || gather(from) === gather(to)) continue;
    next.set(gather(from), (next.get(gather(from)) ?? new Set()).add(gather(to)));
  }
  const state = new Map<string, 'open' | 'done'>();
  const cycles: string[] = [];
  const visit = (one: string, path: readonly string[]): void => {
    if (state.get(one) === 'done') return;
    if (state.get(one) === 'open') {
      cycles.push([...path.slice(path.indexOf(one)), one].join(' → '));
      return;
    }
    state.set(one, 'open');
    for (const to of next.get(one) ?? []) visit(to, [...path, one]);
    state.set(one, 'done');
  };
  for (const one of next.keys()) visit(one, []);
  return cycles;
}
