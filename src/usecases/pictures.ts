import { done, failed, invalid, may, type Outcome, type Person } from '../contracts/index.ts';

export interface Picture {
  /** SHA-256 of the bytes, in hexadecimal. */
  readonly id: string;
  readonly mediaType: 'image/png' | 'image/jpeg' | 'image/webp';
  readonly width: number;
  readonly height: number;
  readonly bytes: Uint8Array;
}

/** Port: pictures that tills show. */
export interface PictureStore {
  find(id: string): Promise<Pick<Picture, 'mediaType' | 'bytes'> | null>;
  /** A picture that is there already stays as it is. */
  keep(picture: Picture, person: string): Promise<void>;
}

/** Port: what a file's bytes are, whatever its name says; null where they are no picture of a known kind. */
export type PictureReader = (bytes: Uint8Array) => Picture | null;

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
