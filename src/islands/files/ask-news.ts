import type { BringInNews, BringInView } from '../../contracts/view/index.ts';
import { saidCount } from '../../ui/writing/index.ts';
import { linesOf, Refused, refusalIn } from '../server/index.ts';

/** What it is, its bytes say; without a type the server takes a body for a form of another site. */
const FILE_HEADERS = { 'content-type': 'application/octet-stream' };

/**
 * Sends a file and hears how far it is.
 * @throws Refused with what the server said, or that it did not answer.
 */
export async function askNews(
  path: string,
  file: Blob,
  onProgress: (words: string) => void,
): Promise<BringInView> {
  const reply = await fetch(path, { method: 'POST', headers: FILE_HEADERS, body: file }).catch(() => null);
  if (!reply?.body)
    throw new Refused({ status: 0, message: 'Bell Tag did not answer. Nothing was brought in.', faults: [] });
  if (!reply.ok) throw new Refused(refusalIn(reply.status, await reply.json().catch(() => null)));
  for await (const line of linesOf(reply.body)) {
    const news = line as BringInNews;
    if (news.kind === 'progress')
      onProgress(`${news.stage}: ${saidCount(news.done)} of ${saidCount(news.of)} rows`);
    else if (news.kind === 'result') return news.result;
    else throw new Refused({ status: 422, message: news.message, faults: news.faults });
  }
  throw new Refused({
    status: 0,
    message: 'The answer broke off. Look whether it was brought in.',
    faults: [],
  });
}
