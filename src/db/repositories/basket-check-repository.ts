import { asc, eq } from 'drizzle-orm';
import type { BasketCheckStore } from '../../usecases/ports/index.ts';
import type { Database } from '../connect.ts';
import * as t from '../schema/index.ts';

export function basketCheckRepository(db: Database): BasketCheckStore {
  return {
    all: () => db.select().from(t.basketCheck).orderBy(asc(t.basketCheck.name)),
    async put(check, createdBy) {
      const { name: _, ...replaced } = check;
      const [row] = await db
        .insert(t.basketCheck)
        .values({ ...check, createdBy })
        .onConflictDoUpdate({ target: t.basketCheck.name, set: { ...replaced, createdBy } })
        .returning({ id: t.basketCheck.id });
      return row!.id;
    },
    async keepResult(id, result) {
      await db.update(t.basketCheck).set({ result }).where(eq(t.basketCheck.id, id));
    },
    async drop(id) {
      const gone = await db
        .delete(t.basketCheck)
        .where(eq(t.basketCheck.id, id))
        .returning({ id: t.basketCheck.id });
      return gone.length > 0;
    },
  };
}
