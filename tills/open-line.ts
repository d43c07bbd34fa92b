import { createEventSource } from 'eventsource-client';
import type { Line } from './rhythm.ts';
import type { Till } from './till-ports.ts';

/** A line to the server, over server-sent events. What comes over it is never more than "look now". */
export function openLine(server: string, till: Pick<Till, 'key'>, onNews: () => void): Line {
  return createEventSource({
    url: `${server}/api/till/stream`,
    // Opened anew, it says the key that the till has by then.
    fetch: (url, init) =>
      fetch(url, { ...init, headers: { ...init?.headers, authorization: `Bearer ${till.key()}` } }),
    onConnect: onNews,
    onMessage: onNews,
  });
}
