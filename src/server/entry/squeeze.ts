import type { IncomingMessage, ServerResponse } from 'node:http';
import compression from 'compression';

/** What is told line by line as it happens must not wait for more of it. */
const AS_IT_HAPPENS = /^(text\/event-stream|application\/x-ndjson)/;

const squeezer = compression({
  filter: (request, response) =>
    !AS_IT_HAPPENS.test(String(response.getHeader('content-type') ?? '')) &&
    compression.filter(request, response),
}) as unknown as (request: IncomingMessage, response: ServerResponse, next: () => void) => void;

/** Replies go over compressed (Brotli or gzip) where who asks takes that and it is worth it. */
export const squeezed = squeezer;
