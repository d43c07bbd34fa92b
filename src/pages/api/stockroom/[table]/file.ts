import type { BringInNews, Matching } from '../../../../contracts/index.ts';
import { fileRequest } from '../../../../contracts/index.ts';
import { tableOf } from '../../../../contracts/table/index.ts';
import {
  bringIn,
  browseStockroom,
  endpoint,
  failureReply,
  fileReply,
  log,
  now,
  readRows,
  resolveLooking,
  tableOfAddress,
} from '../../../../server/index.ts';

const EVERYTHING = 10_000_000;
const MOST_BYTES = 60_000_000;

/** The rows of a table as a file. */
export const GET = endpoint(
  { permission: 'see', schema: fileRequest, from: 'query' },
  async ({ app, person, input, context }) => {
    const address = tableOfAddress(context);
    if ('refusal' in address) return address.refusal;
    const looking = await resolveLooking(app, person, {}, now());
    if (!looking.ok) return failureReply(looking.failure);
    const { rows } = await browseStockroom(app, person, {
      ...looking.value,
      table: address.table,
      text: input.q ?? '',
      sort: null,
      descending: false,
      offset: 0,
      limit: EVERYTHING,
      rule: null,
      carried: false,
      filed: true,
    });
    const columns = tableOf(address.table).columns.filter(({ shown }) => !shown);
    return fileReply(
      address.table,
      input.kind,
      columns,
      rows.map(({ cells }) => cells),
    );
  },
);

/**
 * Brings a file in: its bytes are the body. `?dry=1` only tells what it would do; `?matching=` says which column is
 * which field. Answers line by line with how far it is, and last with what came of it.
 */
export const POST = endpoint({ permission: 'see' }, async ({ app, person, context }) => {
  const address = tableOfAddress(context);
  if ('refusal' in address) return address.refusal;
  const bytes = new Uint8Array(await context.request.arrayBuffer());
  if (bytes.length > MOST_BYTES)
    return failureReply({
      kind: 'invalid',
      faults: [{ path: [], what: 'the file is larger than 60 MB', wanted: 'a smaller one, or several' }],
    });
  const read = await readRows(bytes);
  if (!read.ok) return failureReply(read.failure);
  const query = context.url.searchParams;
  const matching = matchingOf(query.get('matching'));
  if (matching === undefined)
    return failureReply({
      kind: 'invalid',
      faults: [{ path: ['matching'], what: 'it is no matching', wanted: 'an object of heads and fields' }],
    });
  return newsReply(async (tell) => {
    const outcome = await bringIn(app, person, {
      ...read.value,
      table: address.table,
      matching,
      dry: query.get('dry') === '1',
      onProgress: async (stage, done, of) => {
        tell({ kind: 'progress', stage, done, of });
        // The next line goes out before the work goes on.
        await new Promise((resolve) => setImmediate(resolve));
      },
    });
    if (outcome.ok) return { kind: 'result', result: outcome.value };
    const { message, faults = [] } = await failureReply(outcome.failure).json();
    return { kind: 'refused', message, faults };
  });
});

function matchingOf(text: string | null): Matching | null | undefined {
  if (text === null) return null;
  try {
    const raw: unknown = JSON.parse(text);
    const isMatching =
      typeof raw === 'object' &&
      raw !== null &&
      Object.values(raw).every((field) => typeof field === 'string');
    return isMatching ? (raw as Matching) : undefined;
  } catch {
    return undefined;
  }
}

/** One JSON line for each piece of news, as it comes. */
function newsReply(work: (tell: (news: BringInNews) => void) => Promise<BringInNews>): Response {
  const encoder = new TextEncoder();
  const stream = new ReadableStream({
    async start(controller) {
      const tell = (news: BringInNews) => controller.enqueue(encoder.encode(`${JSON.stringify(news)}\n`));
      try {
        tell(await work(tell));
      } catch (error) {
        log.error({ err: error }, 'bringing a file in failed');
        tell({
          kind: 'refused',
          message: 'Something failed on our side. Nothing was brought in.',
          faults: [],
        });
      }
      controller.close();
    },
  });
  return new Response(stream, {
    headers: { 'content-type': 'application/x-ndjson; charset=utf-8', 'cache-control': 'no-store' },
  });
}
