import type { TagText } from '../core/shelf-tags/index.ts';
import { drawTag } from './draw-tag.ts';
import { canBeSet } from './fonts.ts';
import { type Paper, placeOf, tagsOnPage } from './papers.ts';
import { pen } from './pen.ts';

export interface TagsToPrint {
  readonly paper: Paper;
  /** Of the document: "Shelf tags of …". */
  readonly title: string;
  /** The day that they are for, "2026-12-05"; the same tags make the same file. */
  readonly day: string;
  readonly tags: readonly TagText[];
}

/** How often progress is told. */
const TOLD_EACH = 50;

export interface PrintedTags {
  readonly pdf: Buffer;
  /** Items on whose tags there was no room for all, or letters that no font here has. */
  readonly short: readonly string[];
}

/** The tags as one PDF, its fonts within; without tags a page that is empty, as a file must have one. */
export async function tagsPdf(
  { paper, title, day, tags }: TagsToPrint,
  onProgress: (done: number) => void = () => {},
): Promise<PrintedTags> {
  const short: string[] = [];
  const on = pen(title, day);
  const perPage = tagsOnPage(paper);
  if (tags.length === 0) on.page(paper.page);
  tags.forEach((tag, i) => {
    if (i % perPage === 0) on.page(paper.page);
    const fits = drawTag(on, placeOf(paper, i % perPage), tag, paper.inset);
    if (!fits || !canBeSet(tag.name)) short.push(tag.sku);
    if ((i + 1) % TOLD_EACH === 0) onProgress(i + 1);
  });
  return { pdf: await on.end(), short };
}
