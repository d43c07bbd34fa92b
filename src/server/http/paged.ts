import type { PageRequest } from '../../contracts/index.ts';
import { json } from './reply.ts';

/**
 * A stretch of a list as a reply, with how many there are (`x-total-count`) and the address of the next stretch where
 * there is one (`Link`, RFC 8288).
 */
export function pagedReply<T>(list: readonly T[], { offset = '0', limit }: PageRequest, url: URL): Response {
  const from = Number(offset);
  const until = limit === undefined ? list.length : from + Number(limit);
  const headers: Record<string, string> = { 'x-total-count': String(list.length) };
  if (until < list.length) {
    const next = new URLSearchParams(url.searchParams);
    next.set('offset', String(until));
    // Relative to what was asked: whichever name it was asked under.
    headers.link = `<?${next}>; rel="next"`;
  }
  return json(list.slice(from, until), 200, headers);
}
