const LEAVING = 'belltag-leaving';
/** What the lens says in an address; the rest is the page's own. */
const OF_THE_LENS = ['where', 'at', 'for', 'known'];

type Wait = (work: Promise<unknown>) => void;

/** Lets everything on the page that holds something unsaved keep it. */
export async function keepBeforeLeaving(): Promise<void> {
  const work: Promise<unknown>[] = [];
  const wait: Wait = (one) => work.push(one);
  window.dispatchEvent(new CustomEvent(LEAVING, { detail: wait }));
  await Promise.allSettled(work);
  // What was kept is told on the page before it is left, so that it asks no more.
  if (work.length > 0) await new Promise((resolve) => requestAnimationFrame(() => setTimeout(resolve)));
}

/**
 * Is asked to keep what is unsaved before the page goes on to another look at the same.
 * @returns the way to be asked no more.
 */
export function onLeaving(keep: () => Promise<unknown> | null): () => void {
  const listen = (event: Event) => {
    const work = keep();
    if (work) (event as CustomEvent<Wait>).detail(work);
  };
  window.addEventListener(LEAVING, listen);
  return () => window.removeEventListener(LEAVING, listen);
}

/** An address of this page through another lens, with all that its own address says beside the lens by now. */
export function withOwnQuery(href: string, search: string): string {
  const [path = '', query = ''] = href.split('?');
  const next = new URLSearchParams(query);
  for (const key of [...next.keys()]) if (!OF_THE_LENS.includes(key)) next.delete(key);
  for (const [key, value] of new URLSearchParams(search))
    if (!OF_THE_LENS.includes(key)) next.append(key, value);
  const text = next.toString();
  return text === '' ? path : `${path}?${text}`;
}
