import { done, failed, type Outcome } from '../../contracts/index.ts';

export const KB = 1000;
export const MB = 1000 * KB;
/** A promotion with a price of its own for every item of the largest chain takes two. */
export const PROMOTION_BYTES = 6 * MB;

/** What is too large is still let come, and forgotten, up to here: who sends it is to hear why it was not taken. */
const LISTENED_TO = 256 * MB;

/**
 * The bytes of a request's body, never more than `most` of them: of what says that it is larger, or turns out to be,
 * nothing is kept.
 */
export async function readBytes(request: Request, most: number): Promise<Outcome<Uint8Array>> {
  const tooLarge = failed({ kind: 'too-large', most });
  const said = Number(request.headers.get('content-length') ?? 0);
  if (said > LISTENED_TO) return tooLarge;
  if (!request.body) return done(new Uint8Array());
  let chunks: Uint8Array[] = [];
  let length = 0;
  const reader = request.body.getReader();
  for (;;) {
    const { value, done: ended } = await reader.read();
    if (ended) return length > most ? tooLarge : done(joined(chunks, length));
    length += value.length;
    if (length > LISTENED_TO) {
      reader.cancel().catch(() => {});
      return tooLarge;
    }
    if (said > most || length > most) chunks = [];
    else chunks.push(value);
  }
}

function joined(chunks: readonly Uint8Array[], length: number): Uint8Array {
  const bytes = new Uint8Array(length);
  let at = 0;
  for (const chunk of chunks) {
    bytes.set(chunk, at);
    at += chunk.length;
  }
  return bytes;
}

/**
 * JSON out of bytes.
 * @param type as who sent it calls it (Content-Type); null: it is not said.
 */
export function parseJson(bytes: Uint8Array, type: string | null): Outcome<unknown> {
  if (!/^application\/([\w.-]+\+)?json\s*(;|$)/i.test(type ?? ''))
    return failed({ kind: 'wrong-type', wanted: 'application/json' });
  try {
    return done(JSON.parse(new TextDecoder('utf-8', { fatal: true }).decode(bytes)));
  } catch {
    return failed({ kind: 'unreadable', wanted: 'JSON' });
  }
}

/** The JSON of a small body. */
export async function readJson(request: Request, most: number): Promise<Outcome<unknown>> {
  const bytes = await readBytes(request, most);
  return bytes.ok ? parseJson(bytes.value, request.headers.get('content-type')) : bytes;
}
