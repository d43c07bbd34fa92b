import { encode as encodeJpeg } from 'jpeg-js';
import { PNG } from 'pngjs';
import { describe, expect, it } from 'vitest';
import { person } from '../../../tests/plans/ports.ts';
import { readPicture } from '../../server/standing/read-picture.ts';
import type { Picture, PictureStore } from '../ports/index.ts';
import { keepPicture } from './pictures.ts';

const png = (width: number, height: number): Uint8Array => PNG.sync.write(new PNG({ width, height }));
const jpeg = (width: number, height: number): Uint8Array =>
  encodeJpeg({ width, height, data: new Uint8Array(width * height * 4) }).data;
/** A RIFF with one chunk of a lossless picture's head: 320 × 200 points. */
function webp(chunk = 'VP8L', length = 26): Uint8Array {
  const bytes = Buffer.alloc(34);
  bytes.write('RIFF', 0).valueOf();
  bytes.writeUInt32LE(length, 4);
  bytes.write(`WEBP${chunk}`, 8);
  bytes.writeUInt32LE(14, 16);
  bytes[20] = 0x2f;
  bytes.writeUInt32LE((320 - 1) | ((200 - 1) << 14), 21);
  return bytes;
}
const broken = (bytes: Uint8Array): Uint8Array => {
  const other = Uint8Array.from(bytes);
  other[Math.floor(bytes.length / 2)]! ^= 0xff;
  return other;
};

function shelf(): PictureStore & { kept: Picture[] } {
  const kept: Picture[] = [];
  return {
    kept,
    find: async (id) => kept.find((one) => one.id === id) ?? null,
    keep: async (picture) => void kept.push(picture),
  };
}

const put = (bytes: Uint8Array, pictures = shelf(), who = person('planner')) =>
  keepPicture({ pictures, readPicture }, who, bytes);

describe('a picture for the till', () => {
  it('is known by its bytes', async () => {
    const pictures = shelf();
    const kept = await put(png(320, 200), pictures);
    expect(kept).toMatchObject({ ok: true, value: { id: expect.stringMatching(/^[0-9a-f]{64}$/) } });
    expect(pictures.kept).toMatchObject([{ mediaType: 'image/png', width: 320, height: 200 }]);
  });

  it.each<[string, Uint8Array]>([
    ['image/jpeg', jpeg(64, 48)],
    ['image/webp', webp()],
  ])('may be %s too', async (mediaType, bytes) => {
    const pictures = shelf();
    await put(bytes, pictures);
    expect(pictures.kept).toMatchObject([{ mediaType }]);
  });

  it.each<[string, Uint8Array, string]>([
    ['a PNG that is cut off', png(320, 200).slice(0, 150), 'PNG, JPEG or WebP'],
    ['a PNG with a broken bit', broken(png(320, 200)), 'PNG, JPEG or WebP'],
    ['a JPEG that is cut off', jpeg(64, 48).slice(0, 300), 'PNG, JPEG or WebP'],
    ['a WebP that is cut off', webp().slice(0, 30), 'PNG, JPEG or WebP'],
    ['a WebP with nothing in it', webp('EXIF'), 'PNG, JPEG or WebP'],
    ['a text', Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"/>'), 'PNG, JPEG or WebP'],
    ['nothing', new Uint8Array(), 'PNG, JPEG or WebP'],
    ['half a head', png(320, 200).slice(0, 12), 'PNG, JPEG or WebP'],
    ['one that is too small to see', png(16, 200), '16 × 200'],
    ['one that is too large to draw', png(320, 9_000), '320 × 9000'],
    ['too many bytes', Buffer.concat([png(320, 200), Buffer.alloc(600 * 1_024)]), '512 KB'],
  ])('is not %s', async (_, bytes, said) => {
    const pictures = shelf();
    const refused = await put(bytes, pictures);
    expect(refused).toMatchObject({ ok: false, failure: { kind: 'invalid' } });
    expect(JSON.stringify(refused)).toContain(said);
    expect(pictures.kept).toEqual([]);
  });

  it('is kept by planners only', async () => {
    expect(await put(png(320, 200), shelf(), person('viewer'))).toMatchObject({
      failure: { kind: 'forbidden' },
    });
  });
});
