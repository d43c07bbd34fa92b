export { type OffLine, offListPdf } from './off-list-pdf.ts';
export { DEFAULT_PAPER, PAPERS, type Paper, type PaperName, paperOf } from './papers.ts';
export * from './tags-pdf.ts';
