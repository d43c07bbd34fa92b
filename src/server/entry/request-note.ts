import { randomUUID } from 'node:crypto';
import type { IncomingMessage, ServerResponse } from 'node:http';
import { log } from '../machine/log.ts';
import { measureRequest } from './request-measures.ts';

/** Asked every few seconds by who watches the server and by each terminal: told of only to who looks closely. */
const OFTEN = /^\/(live|ready|metrics|api\/health|api\/till\/.*)$/;

/** Of a proxy: what it calls the request, so that its log and ours can be laid side by side. */
const ID = /^[\w-]{8,64}$/;

/** What is noted of a request that is being answered. */
export interface RequestNote {
  /** Its name in the log, which the reply bears as well. */
  readonly id: string;
  /** Whom it turned out to be from. */
  readonly from: { person?: { readonly id: string } | null };
}

/** Gives a request a name; once it is answered, one line in the log says what was asked, how it ended and how long it took. */
export function noteRequest(
  request: IncomingMessage,
  response: ServerResponse,
  { address, behindProxy }: { address: string; behindProxy: boolean },
): RequestNote {
  const said = request.headers['x-request-id'];
  const id = behindProxy && typeof said === 'string' && ID.test(said) ? said : randomUUID();
  const note: RequestNote = { id, from: {} };
  const begun = performance.now();
  // What stands behind the question mark may be about people.
  const path = (request.url ?? '').split('?')[0] ?? '';
  const method = request.method ?? '';
  response.setHeader('x-request-id', id);
  response.once('close', () => {
    const milliseconds = performance.now() - begun;
    const ended = response.writableFinished;
    const status = response.statusCode;
    measureRequest({ method, path, status, milliseconds });
    const line = {
      ...{ request: id, from: address, method, path, status, ms: Math.round(milliseconds) },
      ...(note.from.person ? { person: note.from.person.id } : {}),
      ...(ended ? {} : { left: true }),
    };
    if (status >= 500) log.warn(line, 'failed');
    else if (OFTEN.test(path) && status < 400) log.debug(line, 'answered');
    else log.info(line, 'answered');
  });
  return note;
}
