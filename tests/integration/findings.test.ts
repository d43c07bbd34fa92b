import { afterAll, beforeAll, beforeEach, expect, it } from 'vitest';
import {
  type Database,
  findingRepository,
  loopholeRepository,
  planRepository,
  promotionRepository,
} from '../../src/db/index.ts';
import { livePlanBook } from '../../src/server/standing/live-plan-book.ts';
import { acceptFinding, lookAtFindings } from '../../src/usecases/index.ts';
import { person } from '../plans/ports.ts';
import { change, withPromotions } from '../plans/small-plan.ts';
import { freshDatabase } from './fresh-database.ts';

let db: Database;
let drop: () => Promise<void>;
beforeAll(async () => {
  ({ db, drop } = await freshDatabase());
});
afterAll(() => drop());

const NOW = Date.parse('2027-03-03T10:00:00Z') as never;
const PLANNER = { ...person('planner'), id: 'ines' };
const SPRAY = { items: { items: ['spray'] }, when: { from: '2027-03-01T09:00', to: '2027-03-08T20:00' } };

beforeEach(async () => {
  await planRepository(db).replace(
    withPromotions(change('a', { ...SPRAY, priority: 5 }), change('b', { ...SPRAY, priority: 5 })),
    'basil',
  );
  await db.execute(
    `insert into person (id, name, email, role) values ('ines', 'Ines', 'ines@x.example', 'planner')
     on conflict do nothing`,
  );
});

it('what is found is kept with the plan, and what is accepted stays so when the application begins again', async () => {
  const ports = () => ({
    book: livePlanBook(db),
    findings: findingRepository(db),
    promotions: promotionRepository(db),
  });
  const { open } = await lookAtFindings(ports(), PLANNER, NOW);
  const overlap = open.find(({ code }) => code === 'overlap')!;
  const which = { code: overlap.code, part: null, promotions: ['a', 'b'] };
  const accepted = { ...which, about: overlap.about, reason: 'The flyer says so' };
  expect((await acceptFinding(ports(), PLANNER, accepted)).ok).toBe(true);
  await findingRepository(db).forget();
  const again = await lookAtFindings(ports(), PLANNER, NOW);
  expect(again.open.map(({ code }) => code)).not.toContain('overlap');
  expect(again.accepted).toMatchObject([
    { code: 'overlap', accepted: { by: expect.stringContaining('Ines'), reason: 'The flyer says so' } },
  ]);
  const [told] = await promotionRepository(db).history('a');
  expect(told).toMatchObject({ action: 'accepted what the checks found' });
});

it('what a search rested on is kept whatever becomes of versions, until another program begins', async () => {
  const loopholes = loopholeRepository(db);
  expect(await loopholes.searched('a key')).toBeNull();
  await loopholes.keepSearch('a key', []);
  await loopholes.keepSearch('a key', []);
  await loopholes.keep(1, '2027-03-03', { found: [], searches: 1, isWhole: true });
  await loopholes.keep(2, '2027-03-03', { found: [], searches: 0, isWhole: false });
  expect(await loopholes.found(1, '2027-03-03')).toBeNull();
  expect(await loopholes.searched('a key')).toEqual([]);
  await db.execute(`update loophole_search set asked_at = now() - interval '15 days'`);
  await loopholes.keepSearch('another', []);
  expect(await loopholes.searched('a key')).toBeNull();
  await loopholes.forget();
  expect(await loopholes.searched('another')).toBeNull();
});

it('only the newest look is kept', async () => {
  const findings = findingRepository(db);
  await findings.keep(1, '2027-03-03', []);
  await findings.keep(2, '2027-03-03', []);
  expect(await findings.found(1, '2027-03-03')).toBeNull();
  expect(await findings.found(2, '2027-03-04')).toBeNull();
  expect(await findings.found(2, '2027-03-03')).toEqual([]);
});
