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
