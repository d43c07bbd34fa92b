import type { BringInNews, BringInView, Matching, Outcome } from '../../contracts/index.ts';
import { failureReply } from '../http/reply.ts';

/** One line of the answer while a file is brought in (NDJSON). */
export const newsLine = (news: BringInNews): string => `${JSON.stringify(news)}\n`;

/** The last line: what came of it, or why nothing did. */
export async function bringInReply(outcome: Outcome<BringInView>): Promise<Response> {
  if (outcome.ok) return lastLine({ kind: 'result', result: outcome.value });
  const { detail: message, faults = [] } = await failureReply(outcome.failure).json();
  return lastLine({ kind: 'refused', message, faults });
}

const lastLine = (news: BringInNews): Response =>
  new Response(newsLine(news), {
    headers: { 'content-type': 'application/x-ndjson; charset=utf-8', 'cache-control': 'no-store' },
  });

/** Which column is which field, as the address says it; null: it says nothing, undefined: nothing that can be read. */
export function matchingOf(text: string | null): Matching | null | undefined {
  if (text === null) return null;
  const raw = parsed(text);
  const isMatching =
    typeof raw === 'object' && raw !== null && Object.values(raw).every((field) => typeof field === 'string');
  return isMatching ? (raw as Matching) : undefined;
}

export const NO_MATCHING = {
  kind: 'invalid' as const,
  faults: [{ path: ['matching'], what: 'it is no matching', wanted: 'an object of heads and fields' }],
};

const parsed = (text: string): unknown => {
  try {
    return JSON.parse(text);
  } catch {
    return text;
  }
};
