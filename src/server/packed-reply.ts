import { promisify } from 'node:util';
import { gunzip } from 'node:zlib';

const unpack = promisify(gunzip);

/** JSON that stands gzipped already, as it is where the asker takes that. */
export async function packedReply(
  packed: Uint8Array,
  request: Request,
  more: Readonly<Record<string, string>> = {},
): Promise<Response> {
  const takes = /\bgzip\b/.test(request.headers.get('accept-encoding') ?? '');
  const body = takes ? packed : await unpack(packed);
  return new Response(body as BodyInit, {
    headers: {
      'content-type': 'application/json; charset=utf-8',
      'content-length': String(body.length),
      'cache-control': 'no-store',
      vary: 'accept-encoding',
      ...more,
      ...(takes ? { 'content-encoding': 'gzip' } : {}),
    },
  });
}
