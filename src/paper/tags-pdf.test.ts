import { describe, expect, it } from 'vitest';
import type { TagText } from '../core/shelf-tags/index.ts';
import { canBeSet } from './fonts.ts';
import { offListPdf, PAPERS, paperOf, tagsPdf } from './index.ts';

const TEA: TagText = {
  ...{ sku: 'Q1', gtin: '2750000000019', shelf: '12-03-2', name: 'Green tea, twenty bags' },
  price: { whole: '4', decimals: '.40', currency: 'EUR' },
  ...{ reduced: false, label: null, badge: null, was: null, until: null, perUnit: null, lowest: null },
  ...{ deals: [], forSome: [] },
};
const DEAL = {
  ...{ words: 'More is cheaper', who: null, until: 'until Sat 6 Mar' },
  steps: [2, 3, 6, 12].map((count) => [`from ${count}`, `at ${count} % less`] as const),
};
const printed = (paper: string, ...tags: TagText[]) =>
  tagsPdf({ paper: paperOf(paper)!, title: 'Tags', day: '2027-03-01', tags });
const pagesOf = (pdf: Buffer): number => pdf.toString('latin1').match(/\/Type \/Page\b/g)?.length ?? 0;

describe('tags as PDF', () => {
  it.each(PAPERS.map(({ name, columns, rows }) => [name, columns * rows] as const))(
    'fill the pages of %s, with nothing left out of a plain tag',
    async (paper, perPage) => {
      const { pdf, short } = await printed(paper, ...Array<TagText>(perPage + 1).fill(TEA));
      expect([pagesOf(pdf), short]).toEqual([2, []]);
    },
  );

  it('are the same file for the same tags, and an empty page for none', async () => {
    const [one, other] = [await printed('a4-24', TEA), await printed('a4-24', TEA)];
    expect(one.pdf.equals(other.pdf)).toBe(true);
    expect(pagesOf((await printed('a4-24')).pdf)).toBe(1);
  });

  it('tell on which of them not all fits', async () => {
    const full: TagText = {
      ...TEA,
      ...{ sku: 'Q2', deals: [DEAL, DEAL, DEAL], was: 'was 5.00', perUnit: '110.00 a kilogram' },
    };
    expect((await printed('roll-57x32', TEA, full)).short).toEqual(['Q2']);
    expect((await printed('poster-a4', TEA, full)).short).toEqual([]);
    // A price so long that bars beside it would be too narrow to be read.
    const price = { whole: '1,139', decimals: '.54', currency: 'EUR' };
    const dear: TagText = { ...TEA, sku: 'Q3', price, reduced: true, was: 'was 1,299.95' };
    expect((await printed('roll-57x32', dear)).short).toEqual(['Q3']);
    const strange: TagText = { ...TEA, sku: 'Q4', name: '緑茶' };
    expect((await printed('a4-24', strange)).short).toEqual(['Q4']);
  });

  it.each([
    ['Zażółć gęślą jaźń', true],
    ['Ложка чайная – κουτάλι', true],
    ['Ærøskøbing, Đường', true],
    ['緑茶', false],
  ])('have letters for "%s": %s', (text, can) => {
    expect(canBeSet(text)).toBe(can);
  });
});

it('what comes off the shelf is a list over as many pages as it takes', async () => {
  const line = { shelf: '12-3', sku: 'Q1', name: 'Tea', said: '4.40', why: 'not sold any more' };
  const list = (count: number) =>
    offListPdf({ title: 'Off', day: '2027-03-01', lines: Array.from({ length: count }, () => line) });
  expect([pagesOf(await list(0)), pagesOf(await list(29)), pagesOf(await list(30))]).toEqual([1, 1, 2]);
});
