import type { IncomingMessage } from 'node:http';

/**
 * The network address of who asks. What a request says of itself is believed only behind a proxy of ours, and there
 * only what the proxy put last.
 */
export function addressOf(
  { headers, socket }: Pick<IncomingMessage, 'headers' | 'socket'>,
  behindProxy: boolean,
): string {
  const said = behindProxy
    ? String(headers['x-forwarded-for'] ?? '')
        .split(',')
        .at(-1)
        ?.trim()
    : '';
  return said || socket.remoteAddress || 'unknown';
}
