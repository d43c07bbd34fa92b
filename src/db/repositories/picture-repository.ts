import { eq } from 'drizzle-orm';
import type { Picture, PictureStore } from '../../usecases/ports/index.ts';
import type { Database } from '../connect.ts';
import * as t from '../schema/index.ts';

export function pictureRepository(db: Database): PictureStore {
  return {
    async find(id) {
      const [row] = await db
        .select({ mediaType: t.picture.mediaType, bytes: t.picture.bytes })
        .from(t.picture)
        .where(eq(t.picture.id, id));
      return row ? { mediaType: row.mediaType as Picture['mediaType'], bytes: row.bytes } : null;
    },
    async keep(picture, addedBy) {
      await db
        .insert(t.picture)
        .values({ ...picture, bytes: Buffer.from(picture.bytes), addedBy })
        .onConflictDoNothing();
    },
  };
}
