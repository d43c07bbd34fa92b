/** How often something goes over a stream on which nothing happens, so that nobody on the way cuts it off. */
export const BEAT = 25_000;
/** Milliseconds after which whoever was cut off connects again. */
export const CONNECTS_AGAIN = 3_000;

export const EVENT_STREAM = {
  'content-type': 'text/event-stream; charset=utf-8',
  'cache-control': 'no-store',
  'x-content-type-options': 'nosniff',
  // A proxy must not wait for the end.
  'x-accel-buffering': 'no',
};

/** One event as it goes over (server-sent events, HTML Living Standard 9.2). */
export const eventText = (event: string, data: string | number): string =>
  `event: ${event}\ndata: ${data}\n\n`;

export const BEGINNING = `retry: ${CONNECTS_AGAIN}\n\n`;
export const HEARTBEAT = ': still here\n\n';
