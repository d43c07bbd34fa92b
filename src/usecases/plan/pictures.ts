import { done, failed, invalid, may, type Outcome, type Person } from '../../contracts/index.ts';
import type { PictureReader, PictureStore } from '../ports/index.ts';

export const MOST_PICTURE_BYTES = 512 * 1_024;
const SIDES = { least: 32, most: 4_000 };

/** Keeps a picture, once its bytes have shown what it is. */
export async function keepPicture(
  ports: { pictures: PictureStore; readPicture: PictureReader },
  person: Person,
  bytes: Uint8Array,
): Promise<Outcome<{ id: string }>> {
  if (!may(person, 'plan')) return failed({ kind: 'forbidden' });
  if (bytes.length > MOST_PICTURE_BYTES)
    return invalid([], `the file has ${Math.ceil(bytes.length / 1_024)} KB`, 'at most 512 KB');
  const picture = ports.readPicture(bytes);
  if (!picture) return invalid([], 'the file is no picture of a kind that tills show', 'PNG, JPEG or WebP');
  const { width, height } = picture;
  if (Math.min(width, height) < SIDES.least || Math.max(width, height) > SIDES.most)
    return invalid(
      [],
      `the picture is ${width} × ${height} points`,
      `sides from ${SIDES.least} to ${SIDES.most} points`,
    );
  await ports.pictures.keep(picture, person.id);
  return done({ id: picture.id });
}
