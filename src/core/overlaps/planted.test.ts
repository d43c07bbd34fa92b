import { beforeAll, describe, expect, it } from 'vitest';
import { chain } from '../../../demo/chain.ts';
import { PLANTED } from '../../../demo/planted.ts';
import { readPlan } from '../plan/index.ts';
import { compile } from '../price-book/index.ts';
import { type Finding, findOverlaps, sayFinding } from './index.ts';

const SIZE = { stores: 16, zones: 4, terminals: 16, items: 2_400, priceChanges: 60, deals: 44 };

describe('the mistakes that are planted in the demo chain', () => {
  const document = chain(SIZE, '2026-11-28');
  const plan = compile(readPlan({ ...document, policy: { ...document.policy, baskets: 'priority' } }));
  let found: Finding[] = [];
  beforeAll(() => {
    found = findOverlaps(plan);
  });

  it.each(Object.entries(PLANTED))('%s: %j are found', (code, ids) => {
    for (const id of ids)
      expect(found.filter((finding) => finding.code === code && finding.promotions.includes(id))).not.toEqual(
        [],
      );
  });

  it('are the only ones of their code, where nothing else was ever meant to be close', () => {
    const exact = [
      'overlap',
      'never-wins',
      'never-reached',
      'nothing-carried',
      'worse-than-shelf',
      'open-end',
      'same-units',
      'gift-not-carried',
      'reduced-before',
    ] as const;
    const planted = new Set<string>(Object.values(PLANTED).flat());
    for (const { code, promotions } of found)
      if (exact.some((one) => one === code))
        expect(promotions.filter((id) => planted.has(id))).not.toEqual([]);
  });

  it('are told in sentences that name the promotions', () => {
    for (const finding of found) {
      const name = document.promotions.find(({ id }) => id === finding.promotions[0])!.name;
      expect(sayFinding(plan, finding)).toContain(`“${name}”`);
      expect(sayFinding(plan, finding)).not.toMatch(/null|undefined|NaN|\b1 (items|stores)\b/);
    }
  });
});
