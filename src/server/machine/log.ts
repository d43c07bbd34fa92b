import { AsyncLocalStorage } from 'node:async_hooks';
import pino from 'pino';

/** What a database error tells of the values of a query: tokens and passwords may be among them. */
const VALUES = /\s*params:[\s\S]*$/;

/** Nothing but what happened and where: no values, no headers, no cookies. */
function plainError(error: unknown): object {
  if (!(error instanceof Error)) return { message: String(error).replace(VALUES, '') };
  const { name, message, stack, cause } = error as Error & { cause?: unknown };
  const code = (error as { code?: unknown }).code;
  return {
    type: name,
    message: message.replace(VALUES, ''),
    ...(code === undefined ? {} : { code }),
    // The message stands at the head of the stack, values and all.
    stack: stack
      ?.split('\n')
      .filter((line) => /^\s+at /.test(line))
      .join('\n'),
    ...(cause === undefined ? {} : { cause: plainError(cause) }),
  };
}

/** The request that is being answered: whatever is logged meanwhile bears its id. */
export const asking = new AsyncLocalStorage<{ readonly request: string }>();

export const log = pino({
  level: process.env.BELLTAG_LOG ?? 'info',
  base: undefined,
  mixin: () => asking.getStore() ?? {},
  serializers: { err: plainError },
});
