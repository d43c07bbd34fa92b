import { endpoint, failureReply, json, readRows, readSheetLines } from '../../../server/index.ts';

/** The lines of a worksheet out of a file, whose bytes are the body. Nothing is saved. */
export const POST = endpoint({ permission: 'plan' }, async ({ app, context }) => {
  const read = await readRows(new Uint8Array(await context.request.arrayBuffer()));
  return read.ok ? json(await readSheetLines(app, read.value)) : failureReply(read.failure);
});
