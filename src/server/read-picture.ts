import { createHash } from 'node:crypto';
import { imageSize } from 'image-size';
import type { Picture, PictureReader } from '../usecases/pictures.ts';

const KINDS: Readonly<Record<string, Picture['mediaType']>> = {
  png: 'image/png',
  jpg: 'image/jpeg',
  webp: 'image/webp',
};

/** Looks at the first bytes, not at a name or at what the sender says it is. */
export const readPicture: PictureReader = (bytes) => {
  try {
    const { type, width, height } = imageSize(bytes);
    const mediaType = type === undefined ? undefined : KINDS[type];
    if (!mediaType) return null;
    return { id: createHash('sha256').update(bytes).digest('hex'), mediaType, width, height, bytes };
  } catch {
    // The package throws on anything that it does not know.
    return null;
  }
};
