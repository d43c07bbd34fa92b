import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { writeWhole } from './write-whole.ts';

/** Pictures on a till's own disk, named by the SHA-256 of their bytes. */
export interface PictureDisk {
  has(id: string): boolean;
  /** Null: it is not there. */
  read(id: string): Uint8Array | null;
  /** False, and nothing kept, where the bytes are not those that the name says. */
  write(id: string, bytes: Uint8Array): boolean;
  /** Takes away all but these. */
  keepOnly(ids: ReadonlySet<string>): void;
}

export function pictureDisk(folder: string): PictureDisk {
  const here = `${folder}/pictures`;
  const at = (id: string) => `${here}/${id}`;
  return {
    has: (id) => existsSync(at(id)),
    read: (id) => (isPictureId(id) && existsSync(at(id)) ? readFileSync(at(id)) : null),
    write(id, bytes) {
      if (createHash('sha256').update(bytes).digest('hex') !== id) return false;
      writeWhole(at(id), bytes);
      return true;
    },
    keepOnly(ids) {
      if (!existsSync(here)) return;
      for (const name of readdirSync(here)) if (!ids.has(name)) rmSync(at(name));
    },
  };
}

const isPictureId = (text: string): boolean => /^[0-9a-f]{64}$/.test(text);

const BEGINNINGS = [
  { mediaType: 'image/png', bytes: [0x89, 0x50, 0x4e, 0x47] },
  { mediaType: 'image/jpeg', bytes: [0xff, 0xd8, 0xff] },
] as const;

/** By the first bytes; the server keeps no other kinds than PNG, JPEG and WebP. */
export const mediaTypeOf = (picture: Uint8Array): string =>
  BEGINNINGS.find(({ bytes }) => bytes.every((byte, i) => picture[i] === byte))?.mediaType ?? 'image/webp';
