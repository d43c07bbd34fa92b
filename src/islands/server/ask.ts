/** Why the server did not do what it was asked, in words for the reader. */
export interface Refusal {
  readonly status: number;
  readonly message: string;
  readonly faults: readonly { readonly path: string; readonly message: string }[];
  /** What stands on the server now, where somebody else saved in between. */
  readonly current?: unknown;
}

export class Refused extends Error {
  constructor(readonly refusal: Refusal) {
    super(refusal.message);
  }
}

export const NO_ANSWER: Refusal = {
  status: 0,
  message: 'Bell Tag did not answer. What stands on this page is kept; try again.',
  faults: [],
};

/** What is sent: a value as JSON, or a file as it is. */
export type Sent =
  | { readonly method: string; readonly body: unknown }
  | { readonly method: string; readonly file: Blob };

/**
 * Asks the server.
 * @param signal gives the question up, so that nobody works on an answer that is not wanted any more.
 * @throws Refused with what the server said, or that it did not answer.
 */
export async function ask<T>(path: string, send?: Sent, signal?: AbortSignal): Promise<T> {
  const reply = await fetch(path, { ...(send && requestOf(send)), signal }).catch(() => null);
  if (!reply) throw new Refused(NO_ANSWER);
  const value: unknown = await reply.json().catch(() => null);
  if (reply.ok) return value as T;
  throw new Refused(refusalIn(reply.status, value));
}

/** What a reply that refuses says (RFC 9457), for whoever asked. */
export function refusalIn(status: number, value: unknown): Refusal {
  const { detail = NO_ANSWER.message, faults = [], current } = (value ?? {}) as Partial<Problem>;
  return { status, message: detail, faults, current };
}

interface Problem extends Omit<Refusal, 'message'> {
  readonly detail: string;
}

const requestOf = (send: Sent): RequestInit =>
  'file' in send
    ? { method: send.method, headers: { 'content-type': 'application/octet-stream' }, body: send.file }
    : {
        method: send.method,
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(send.body),
      };

export const refusalOf = (error: unknown): Refusal =>
  error instanceof Refused ? error.refusal : { ...NO_ANSWER, message: String(error) };
