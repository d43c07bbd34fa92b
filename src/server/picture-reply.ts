import type { App } from './app.ts';
import { failureReply } from './http/reply.ts';

/** A picture's bytes. They never change, as its name says what they are. */
export async function pictureReply({ pictures }: Pick<App, 'pictures'>, id: string): Promise<Response> {
  const picture = await pictures.find(id);
  if (!picture) return failureReply({ kind: 'not-found', what: `picture ${id}` });
  return new Response(new Blob([new Uint8Array(picture.bytes)]), {
    headers: {
      'content-type': picture.mediaType,
      'cache-control': 'private, max-age=31536000, immutable',
      'x-content-type-options': 'nosniff',
    },
  });
}
