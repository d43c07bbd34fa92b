import type { AsyncLocalStorage } from 'node:async_hooks';
import { HOUSE_WRITING, type Writing } from '../../core/writing/index.ts';

/** The name under which a page tells the browser how its reader writes. */
export const WRITING_META = 'belltag-writing';

// A server answers many readers at once: each request carries its own. A browser has one reader.
const readers: AsyncLocalStorage<Writing> | null = import.meta.env.SSR
  ? new (await import('node:async_hooks')).AsyncLocalStorage<Writing>()
  : null;
let inThisPage: Writing | null = null;

/** Does something for a reader who writes in this way; `writing()` knows it for as long. On a server only. */
export const readBy = <T>(writing: Writing, work: () => T): T =>
  readers ? readers.run(writing, work) : work();

/** How the reader writes: the same on the server that makes a page and in the browser that goes on with it. */
export function writing(): Writing {
  if (readers) return readers.getStore() ?? HOUSE_WRITING;
  inThisPage ??= toldInThisPage();
  return inThisPage;
}

function toldInThisPage(): Writing {
  const told = document.querySelector<HTMLMetaElement>(`meta[name=${WRITING_META}]`)?.content;
  return told ? (JSON.parse(told) as Writing) : HOUSE_WRITING;
}
