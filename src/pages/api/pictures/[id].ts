import { endpoint, failureReply } from '../../../server/index.ts';

/** A picture's bytes. It never changes, as its name says what it is. */
export const GET = endpoint({ permission: 'see' }, async ({ app, context }) => {
  const id = context.params.id!;
  const picture = await app.pictures.find(id);
  if (!picture) return failureReply({ kind: 'not-found', what: `picture ${id}` });
  return new Response(new Blob([new Uint8Array(picture.bytes)]), {
    headers: {
      'content-type': picture.mediaType,
      'cache-control': 'private, max-age=31536000, immutable',
      'x-content-type-options': 'nosniff',
    },
  });
});
