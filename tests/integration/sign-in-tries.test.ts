import { sql } from 'drizzle-orm';
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import type { Database } from '../../src/db/index.ts';
import { signInTries } from '../../src/server/sign-in-tries.ts';
import { freshDatabase } from './fresh-database.ts';

let db: Database;
let drop: () => Promise<void>;
beforeAll(async () => {
  ({ db, drop } = await freshDatabase());
});
afterAll(() => drop());
beforeEach(() => db.execute(sql`truncate sign_in_try`));

const NOW = 1_000_000_000_000;
const SECOND = 1000;

describe('tries of passwords', () => {
  it('are free five times, and then are waited for, longer each time', async () => {
    const tries = signInTries(db);
    const waits: number[] = [];
    let now = NOW;
    for (let i = 0; i < 8; i++) {
      const wait = await tries.begin('Ann@x.example', '10.0.0.1', now);
      waits.push(wait / SECOND);
      now += wait;
      if (wait > 0) expect(await tries.begin('ann@x.example ', '10.0.0.1', now)).toBe(0);
    }
    expect(waits).toEqual([0, 0, 0, 0, 0, 5, 10, 20]);
  });
  it('of one person do not hold up another at another desk', async () => {
    const tries = signInTries(db);
    for (let i = 0; i < 6; i++) await tries.begin('ann@x.example', '10.0.0.1', NOW);
    expect(await tries.begin('ann@x.example', '10.0.0.1', NOW)).toBeGreaterThan(0);
    expect(await tries.begin('ben@x.example', '10.0.0.1', NOW)).toBe(0);
    expect(await tries.begin('ann@x.example', '10.0.0.2', NOW)).toBe(0);
  });
  it('of one account from many places are held up as well, and of many accounts from one place', async () => {
    const tries = signInTries(db);
    for (let i = 0; i < 25; i++) await tries.begin('ann@x.example', `10.0.1.${i}`, NOW);
    expect(await tries.begin('ann@x.example', '10.0.2.1', NOW)).toBeGreaterThan(0);
    for (let i = 0; i < 60; i++) await tries.begin(`p${i}@x.example`, '10.9.9.9', NOW);
    expect(await tries.begin('someone@x.example', '10.9.9.9', NOW)).toBeGreaterThan(0);
  });
  it('made all at once are counted one by one', async () => {
    const tries = signInTries(db);
    const waits = await Promise.all(
      Array.from({ length: 30 }, () => tries.begin('ann@x.example', '10.0.0.1', NOW)),
    );
    expect(waits.filter((wait) => wait === 0)).toHaveLength(5);
  });
  it('are forgotten by the right one, and after an hour', async () => {
    const tries = signInTries(db);
    for (let i = 0; i < 4; i++) await tries.begin('ann@x.example', '10.0.0.1', NOW);
    await tries.succeeded('ann@x.example', '10.0.0.1');
    for (let i = 0; i < 5; i++) expect(await tries.begin('ann@x.example', '10.0.0.1', NOW)).toBe(0);
    expect(await tries.begin('ann@x.example', '10.0.0.1', NOW)).toBeGreaterThan(0);
    expect(await tries.begin('ann@x.example', '10.0.0.1', NOW + 61 * 60 * SECOND)).toBe(0);
  });
});
