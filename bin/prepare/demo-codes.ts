import type { PlanDocument } from '../../src/core/plan/index.ts';
import { batchCodeKey } from '../../src/core/receipt/index.ts';
import { codeRepository, usesRepository } from '../../src/db/index.ts';
import type { Ports } from '../../src/server/standing/ports.ts';
import { fillCodeBatches } from '../../src/usecases/index.ts';

const COUNT = 2_000;
/** As many as were used since. */
const USED = 611;
const DAY = 86_400_000;
/** Days ago. */
const BEGAN = 9;
const AT_ONCE = 8;
const PATTERN = { length: 10, of: 'both', prefix: 'WKM-', suffix: '', dashEvery: 5 } as const;

/**
 * A batch of welcome letters that ends in twelve days with most of its codes unused.
 * @param person who had them made, and took the list for the letters.
 */
export async function demoCodes(
  { db, codeSeal }: Pick<Ports, 'db' | 'codeSeal'>,
  { promotions, terminals = [] }: PlanDocument,
  person: string,
  now: number,
): Promise<void> {
  const welcome = promotions.find(({ codeBatches }) => codeBatches);
  if (!welcome) return;
  const [codes, uses] = [codeRepository(db), usesRepository(db)];
  const day = (moment: number) => new Date(moment).toISOString().slice(0, 10);
  const wanted = {
    ...{ promotion: welcome.id, pattern: PATTERN, wanted: COUNT, test: false },
    ...{ fromDay: day(now - BEGAN * DAY), toDay: day(now + 12 * DAY) },
  };
  const id = await codes.begin(wanted, new Date(now - (BEGAN + 1) * DAY), {
    person,
    action: `${COUNT} codes asked for`,
  });
  while (await fillCodeBatches({ codes, codeSeal }));
  const parts = await codes.list((await codes.batch(id))!, person);
  const used = parts.flatMap((part) => codeSeal.open(part).split('\n')).slice(0, USED);
  const take = (code: string, i: number) => {
    const { id: terminal, store } = terminals[(i * 37) % terminals.length]!;
    const key = batchCodeKey(id, Buffer.from(codeSeal.hashOf(code)).toString('hex'));
    const at = new Date(now - BEGAN * DAY + (i * BEGAN * DAY) / USED);
    // A tenth of a basket that comes to 20 or more.
    const worth = 200 + ((i * 7919) % 1_400);
    const { inAll } = welcome.uses ?? {};
    const limits =
      inAll === undefined ? [] : [{ key: welcome.id, promotion: welcome.id, most: inAll, worth }];
    const use = { key, promotion: welcome.id, most: 1, worth };
    return uses.take({ terminal, store, basket: `welcome-${i}` }, [...limits, use], at);
  };
  for (let i = 0; i < used.length; i += AT_ONCE)
    await Promise.all(used.slice(i, i + AT_ONCE).map((code, j) => take(code, i + j)));
}
