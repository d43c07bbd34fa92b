import { pictureReply, terminalEndpoint } from '../../../../server/index.ts';

/** A picture's bytes for a terminal, whose price file names it. */
export const GET = terminalEndpoint(({ app, context }) => pictureReply(app, context.params.id!));
