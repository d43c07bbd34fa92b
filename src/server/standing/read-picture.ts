import { createHash } from 'node:crypto';
import { imageSize } from 'image-size';
import { decode as decodeJpeg } from 'jpeg-js';
import { PNG } from 'pngjs';
import type { Picture, PictureReader } from '../../usecases/ports/index.ts';

const KINDS: Readonly<
  Record<string, { mediaType: Picture['mediaType']; isWhole: (bytes: Uint8Array) => boolean }>
> = {
  png: { mediaType: 'image/png', isWhole: isWholePng },
  jpg: { mediaType: 'image/jpeg', isWhole: isWholeJpeg },
  webp: { mediaType: 'image/webp', isWhole: isWholeWebp },
};
/** A picture that says it is larger is not opened. */
const MOST_SIDE = 4_000;
const MOST_MEMORY_MB = 256;

/** Looks at the bytes, all of them, not at a name or at what the sender says it is; a broken picture is none. */
export const readPicture: PictureReader = (bytes) => {
  try {
    const { type, width, height } = imageSize(bytes);
    const kind = type === undefined ? undefined : KINDS[type];
    if (!kind) return null;
    const fits = Math.max(width, height) <= MOST_SIDE;
    if (fits && !kind.isWhole(bytes)) return null;
    const id = createHash('sha256').update(bytes).digest('hex');
    return { id, mediaType: kind.mediaType, width, height, bytes };
  } catch {
    // The packages throw on anything that they do not know.
    return null;
  }
};

function isWholePng(bytes: Uint8Array): boolean {
  const { width, height } = PNG.sync.read(Buffer.from(bytes));
  return width > 0 && height > 0;
}

function isWholeJpeg(bytes: Uint8Array): boolean {
  const { width, height } = decodeJpeg(bytes, {
    maxMemoryUsageInMB: MOST_MEMORY_MB,
    tolerantDecoding: false,
  });
  return width > 0 && height > 0;
}

/** A RIFF of the length that it says, all of its chunks within it, one of them a picture. */
function isWholeWebp(bytes: Uint8Array): boolean {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  if (view.getUint32(4, true) + 8 !== bytes.length) return false;
  const names: string[] = [];
  let at = 12;
  while (at + 8 <= bytes.length) {
    names.push(String.fromCharCode(...bytes.subarray(at, at + 4)).trim());
    const length = view.getUint32(at + 4, true);
    at += 8 + length + (length % 2);
  }
  return at === bytes.length && names.some((name) => ['VP8', 'VP8L', 'ANMF'].includes(name));
}
