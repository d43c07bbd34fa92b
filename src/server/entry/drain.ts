import type { IncomingMessage, Server, ServerResponse } from 'node:http';
import type { Socket } from 'node:net';

/** What is under way is finished within this long before the process goes. */
const WITHIN = 20_000;
const LOOKS = 100;

/**
 * Lets a server end: nothing new is taken, what is under way is finished, and connections on which nobody waits for an
 * answer are ended, also one that was left in the middle of a line, which the server itself does not count as idle.
 * @returns what begins that: the process exits with 0, or with 1 where somebody had to be cut off; and what has work
 * waited for on whose answer nobody may wait any more.
 */
export function drainOf(server: Server): {
  endServer: () => void;
  keep: <T>(work: Promise<T>) => Promise<T>;
} {
  const kept = new Set<Promise<unknown>>();
  /** How many questions are under way on each connection. */
  const connections = new Map<Socket, number>();
  server.on('connection', (socket: Socket) => {
    connections.set(socket, 0);
    socket.once('close', () => connections.delete(socket));
  });
  const count = (socket: Socket, more: number) => {
    const asked = connections.get(socket);
    if (asked !== undefined) connections.set(socket, asked + more);
  };
  server.prependListener('request', ({ socket }: IncomingMessage, response: ServerResponse) => {
    count(socket, 1);
    response.once('close', () => count(socket, -1));
  });
  const keep = <T>(work: Promise<T>): Promise<T> => {
    kept.add(work);
    const forget = () => void kept.delete(work);
    work.then(forget, forget);
    return work;
  };
  const endServer = () => {
    server.close(async () => {
      while (kept.size > 0) await Promise.allSettled(kept);
      process.exit(0);
    });
    setInterval(() => {
      for (const [socket, asked] of connections) if (asked === 0) socket.destroySoon();
    }, LOOKS);
    setTimeout(() => process.exit(1), WITHIN).unref();
  };
  return { endServer, keep };
}
