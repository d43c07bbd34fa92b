import { writeFileRequest } from '../../../contracts/index.ts';
import { endpoint, fileReply } from '../../../server/index.ts';

/** Rows that stand on a page, as a file. */
export const POST = endpoint({ permission: 'see', schema: writeFileRequest }, async ({ input }) =>
  fileReply(input.name, input.kind, input.columns, input.rows),
);
