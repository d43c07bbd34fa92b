import { describe, expect, it } from 'vitest';
import { inMemory, person } from '../../../tests/plans/ports.ts';
import { change, withPromotions } from '../../../tests/plans/small-plan.ts';
import type { PromotionDocument } from '../../core/plan/index.ts';
import { findOfDraft } from '../index.ts';

const NOW = Date.parse('2027-03-03T10:00:00Z') as never;
const MARCH = { from: '2027-03-01T09:00', to: '2027-03-08T20:00' };
const SPRAY = { when: MARCH, items: { items: ['spray'] } };
const STANDING = change('standing', { ...SPRAY, formula: { percentOff: 2000 } });
const DRAFT = { ...change('draft', { ...SPRAY, formula: { percentOff: 3000 } }), status: 'draft' as const };

const ports = (...promotions: PromotionDocument[]) => inMemory(withPromotions(...promotions));
async function found(promotion: unknown, of = ports(STANDING), who = person('planner')) {
  const outcome = await findOfDraft(of, who, { promotion }, NOW);
  if (!outcome.ok) return outcome.failure.kind;
  return outcome.value.findings.map(({ code, promotions }) =>
    [code, ...promotions.map(({ id }) => id)].join(' '),
  );
}

describe('what would be wrong with a draft', () => {
  it('is told as if it were approved: of it, and of others because of it', async () => {
    expect(await found(DRAFT)).toEqual(['overlap draft standing', 'never-wins standing']);
    expect(await found({ ...DRAFT, priority: 50 })).toEqual(['never-wins standing']);
    expect(await found({ ...DRAFT, priority: 200 })).toEqual(['never-wins draft']);
    expect(await found({ ...DRAFT, when: { from: '2027-05-20T09:00', to: '2027-05-21T20:00' } })).toEqual([]);
  });

  it('is no matter of what was wrong without it', async () => {
    const other = change('other', { ...SPRAY, formula: { percentOff: 2000 } });
    const elsewhere = { ...change('draft', { when: MARCH, items: { items: ['bar'] } }), status: 'draft' };
    expect(await found(elsewhere, ports(STANDING, other))).toEqual([]);
    expect(await found({ ...STANDING, priority: 50 }, ports(STANDING, other))).toEqual(['never-wins other']);
  });

  it('tells nobody what goods cost who may not see it', async () => {
    const cheap = { ...DRAFT, offer: { ...DRAFT.offer, formula: { percentOff: 7000 } } };
    expect(await found(cheap, ports())).toEqual(['below-cost draft']);
    expect(await found(cheap, ports(), { ...person('viewer'), costs: false })).toEqual([]);
  });

  it('refuses what is no promotion', async () => {
    expect(await found({ id: 'x' })).toBe('invalid');
    expect(await found({ ...DRAFT, where: { stores: ['nowhere'] } })).toBe('invalid');
  });
});
