import { readFileSync } from 'node:fs';
import { expect, it } from 'vitest';
import { sources } from './sources.ts';

/** Kinds of offers over the basket that have a word of their own in a document. */
const KINDS = ['quantityBreak', 'combo', 'freeGoods', 'basketReward', 'deliveryReward'];

const inRoom = (file: string) => /^src\/core\/offer\/[^/]+\//.test(file);
/** Made-up promotions, and the ways into a new one: neither has to know a kind for it to work. */
const EXAMPLES = ['src/demo/', 'src/core/aim/'];
const files = sources()
  .filter((file) => file.startsWith('src/') || file.startsWith('tills/'))
  .filter((file) => !inRoom(file) && !EXAMPLES.some((folder) => file.startsWith(folder)));

/** Kinds that a file names: as a text, or as a key of a registry. */
const namedIn = (file: string): string[] => {
  const text = readFileSync(file, 'utf8').replaceAll(/\/\*[\s\S]*?\*\/|\/\/.*$/gm, '');
  return KINDS.filter((kind) => new RegExp(`'${kind}'|^ *${kind}[:,]`, 'm').test(text));
};

it('a kind of offer is its room and a line in each of five registries', () => {
  expect(files.filter((file) => namedIn(file).length === KINDS.length)).toEqual([
    'src/contracts/plan-document.ts',
    'src/core/plan/offers.ts',
    'src/core/receipt/unit-offers.ts',
    'src/core/sentence/offers.ts',
    'src/islands/deal/kinds.ts',
  ]);
});

it('and nowhere else are kinds told from each other', () => {
  const some = files.filter((file) => {
    const { length } = namedIn(file);
    return length > 1 && length < KINDS.length;
  });
  expect(some).toEqual([]);
});
