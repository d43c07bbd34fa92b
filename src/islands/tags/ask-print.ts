import type { PrintTagsRequest } from '../../contracts/index.ts';
import type { PrintNews } from '../../contracts/view/index.ts';
import { saidCount } from '../../ui/writing/index.ts';
import { linesOf, NO_ANSWER, Refused, refusalIn, saveFile } from '../server/index.ts';
import { tagsOf } from './tags-of.ts';

/**
 * Has tags printed into a file, hears how far it is, and hands the file to the browser.
 * @returns what was printed, in words.
 * @throws Refused with what the server said, or that it did not answer.
 */
export async function askPrint(
  body: PrintTagsRequest,
  onProgress: (done: number, of: number) => void,
): Promise<string> {
  const headers = { 'content-type': 'application/json' };
  const reply = await fetch('/api/send/tags/print?progress=1', {
    ...{ method: 'POST', headers, body: JSON.stringify(body) },
  }).catch(() => null);
  if (!reply?.body) throw new Refused(NO_ANSWER);
  if (!reply.ok) throw new Refused(refusalIn(reply.status, await reply.json().catch(() => null)));
  for await (const line of linesOf(reply.body)) {
    const news = line as PrintNews;
    if (news.kind === 'progress') onProgress(news.done, news.of);
    else if (news.kind === 'refused') throw new Refused({ status: 422, message: news.message, faults: [] });
    else {
      saveFile(new Blob([bytesOf(news.pdf)], { type: 'application/pdf' }), news.name);
      return printedWords(news);
    }
  }
  throw new Refused({ status: 0, message: 'The answer broke off. Nothing was printed.', faults: [] });
}

const NAMED = 5;

function printedWords({ tags, short }: Extract<PrintNews, { kind: 'file' }>): string {
  const made = `${tagsOf(tags)} made.`;
  if (short.length === 0) return made;
  const more = short.length > NAMED ? ` and ${saidCount(short.length - NAMED)} more` : '';
  return `${made} On ${tagsOf(short.length)} not all fits that should be said: ${short.slice(0, NAMED).join(', ')}${more}. A larger paper has more room.`;
}

const bytesOf = (base64: string): Uint8Array<ArrayBuffer> =>
  Uint8Array.from(atob(base64), (letter) => letter.charCodeAt(0));
