import {
  hangTagsRequest,
  invalid,
  type PrintNews,
  printTagsRequest,
  shelvesRequest,
  tagsRequest,
} from '../../contracts/index.ts';
import { offListPdf, PAPERS, type PrintedTags, paperOf, tagsPdf } from '../../paper/index.ts';
import { hangTags, howStoresStand, lookAtTags, type Printed, printTags } from '../../usecases/index.ts';
import { failureReply, json, outcomeReply } from '../http/reply.ts';
import { onBody, onQuery } from './heavy-endpoint-work.ts';

const PAPER_NAMES = PAPERS.map(({ name, title }) => ({ name, title }));
const line = (news: PrintNews): string => `${JSON.stringify(news)}\n`;

/** Shelf tags: what is to hang, on paper, and what hangs. */
export const SHELF_ENDPOINTS = {
  tags: onQuery(tagsRequest, async ({ app, person, input, now }) => {
    const found = await lookAtTags(app, person, input, now);
    return found.ok ? json({ ...found.value, papers: PAPER_NAMES }) : failureReply(found.failure);
  }),
  /** The PDF; with `?progress=1` lines that tell how far it is, and then it as base64. */
  'print-tags': onBody(printTagsRequest, async ({ app, person, input, query, now, tell }) => {
    const paper = paperOf(input.paper);
    if (!paper)
      return failureReply(
        invalid(['paper'], `there is no paper "${input.paper}"`, PAPERS.map(({ name }) => name).join(', '))
          .failure,
      );
    const made = await printTags(app, person, input, now);
    if (!made.ok) return failureReply(made.failure);
    const toldTo = query.progress === '1' ? tell : () => {};
    const of = made.value.tags.length;
    const { pdf, short } = await pdfOf(made.value, { paper, day: input.day }, (done) =>
      toldTo(line({ kind: 'progress', done, of })),
    );
    const name = `${made.value.off ? 'off-the-shelf' : 'shelf-tags'} ${made.value.store.id} ${input.day}.pdf`;
    if (query.progress !== '1') return file(pdf, name);
    const tags = made.value.off?.length ?? of;
    return new Response(line({ kind: 'file', name, tags, pdf: pdf.toString('base64'), short }), {
      headers: { 'content-type': 'application/x-ndjson; charset=utf-8', 'cache-control': 'no-store' },
    });
  }),
  shelves: onQuery(shelvesRequest, async ({ app, person, input, now }) =>
    outcomeReply(await howStoresStand(app, person, input, now)),
  ),
  'hang-tags': onBody(hangTagsRequest, async ({ app, person, input, now }) =>
    outcomeReply(await hangTags(app, person, input, now)),
  ),
} as const;

const pdfOf = async (
  { store, tags, off }: Printed,
  { paper, day }: { paper: NonNullable<ReturnType<typeof paperOf>>; day: string },
  onProgress: (done: number) => void,
): Promise<PrintedTags> =>
  off
    ? {
        short: [],
        pdf: await offListPdf({ title: `Off the shelf in ${store.name}, ${day}`, day, lines: off }),
      }
    : tagsPdf({ paper, title: `Shelf tags of ${store.name}, ${day}`, day, tags }, onProgress);

const file = (pdf: Buffer, name: string): Response =>
  new Response(new Uint8Array(pdf), {
    headers: {
      'content-type': 'application/pdf',
      'content-disposition': `attachment; filename="${name.replace(/[^\w. -]/g, '-')}"`,
      'cache-control': 'no-store',
    },
  });
