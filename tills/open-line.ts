import { createEventSource } from 'eventsource-client';
import type { Line } from './rhythm.ts';

/** A line to the server, over server-sent events. What comes over it is never more than "look now". */
export function openLine(server: string, key: string, onNews: () => void): Line {
  return createEventSource({
    url: `${server}/api/till/stream`,
    headers: { authorization: `Bearer ${key}` },
    onConnect: onNews,
    onMessage: onNews,
  });
}
