import { deflateSync } from 'node:zlib';
import { describe, expect, it } from 'vitest';
import { person } from '../../tests/plans/ports.ts';
import { readPicture } from '../server/read-picture.ts';
import { keepPicture, type Picture, type PictureStore } from './pictures.ts';

/** The head of a PNG of that many points (ISO/IEC 15948); what follows is not looked at. */
function png(width: number, height: number): Uint8Array {
  const head = Buffer.from('89504e470d0a1a0a0000000d49484452', 'hex');
  const size = Buffer.alloc(8);
  size.writeUInt32BE(width, 0);
  size.writeUInt32BE(height, 4);
  return Buffer.concat([head, size, Buffer.from('0802000000', 'hex'), deflateSync(Buffer.alloc(16))]);
}

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

  it.each<[string, Uint8Array, string]>([
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
