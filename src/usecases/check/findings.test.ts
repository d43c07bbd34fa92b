import { describe, expect, it } from 'vitest';
import { findingsInMemory, inMemory, person } from '../../../tests/plans/ports.ts';
import { change, withPromotions } from '../../../tests/plans/small-plan.ts';
import type { PromotionDocument } from '../../core/plan/index.ts';
import { acceptFinding, keepFindings, knownFindings, lookAtFindings, takeBackFinding } from '../index.ts';

const planner = person('planner');
const NOW = Date.parse('2027-03-03T10:00:00Z') as never;
const MARCH = { from: '2027-03-01T09:00', to: '2027-03-08T20:00' };
const CHEAP = change('cheap', {
  when: MARCH,
  items: { items: ['spray'] },
  formula: { percentOff: 7000 },
  who: { guests: true },
});
const TWIN = change('twin', {
  when: MARCH,
  items: { items: ['spray'] },
  formula: { percentOff: 500 },
  who: { guests: true },
});

const ports = (...promotions: PromotionDocument[]) => ({
  ...inMemory(withPromotions(...(promotions.length > 0 ? promotions : [CHEAP, TWIN]))),
  findings: findingsInMemory(),
});
const said = ({ open }: Awaited<ReturnType<typeof lookAtFindings>>) =>
  open.map(({ code, promotions }) => [code, ...promotions.map(({ id }) => id)].join(' '));

describe('what may be wrong in the plan', () => {
  it('is told by what it costs, then by how grave it is, with its goods and stores by name', async () => {
    const view = await lookAtFindings(ports(), planner, NOW);
    expect(said(view)).toEqual(['below-cost cheap', 'overlap cheap twin', 'never-wins twin']);
    expect(view.open[0]).toMatchObject({
      words: '“cheap” sells below cost: Sun spray in 2 stores, by up to 1.00 EUR a unit.',
      items: { count: 1, some: [{ sku: 'spray', name: 'Sun spray' }] },
      stores: { count: 2, some: [{ name: 'East' }, { name: 'West' }] },
      money: '2.00',
      to: '2027-03-08T20:00',
      accepted: null,
    });
  });

  it('is looked for once for each version of the plan, whoever asks', async () => {
    const all = ports();
    await lookAtFindings(all, planner, NOW);
    await lookAtFindings(all, person('viewer'), NOW);
    expect(all.findings.looks).toBe(1);
    await all.promotions.save({ ...TWIN, status: 'paused' }, 1, { person: 'x', action: 'paused' });
    expect(said(await lookAtFindings(all, planner, NOW))).toEqual(['below-cost cheap']);
    expect(all.findings.looks).toBe(2);
  });

  it('is looked for again on the next day, when what is over is no more', async () => {
    const all = ports();
    await lookAtFindings(all, planner, NOW);
    const later = Date.parse('2027-03-09T10:00:00Z') as never;
    expect((await lookAtFindings(all, planner, later)).open).toEqual([]);
  });

  it('says nothing of costs to whom they are not shown, and nothing of other stores', async () => {
    const all = ports(
      CHEAP,
      TWIN,
      change('far', { when: MARCH, where: { stores: ['west'] }, items: { tag: 'gone' } }),
    );
    const view = await lookAtFindings(all, person('store', ['east']), NOW);
    expect(said(view)).toEqual(['overlap cheap twin', 'never-wins twin']);
    expect(JSON.stringify(view)).not.toMatch(/West|far/);
    expect(all.findings.looks).toBe(0);
  });

  it('is known on Today once it was looked for, and not worked out for it', async () => {
    const all = ports();
    expect(await knownFindings(all, planner, NOW)).toBeNull();
    await keepFindings(all, NOW);
    expect(await knownFindings(all, planner, NOW)).toEqual({
      count: 3,
      kinds: ['below-cost', 'overlap', 'never-wins'],
    });
    expect(await knownFindings(all, person('store', ['east']), NOW)).toBeNull();
  });
});

describe('a finding that somebody accepts', () => {
  const accept = async (all: ReturnType<typeof ports>, who = planner) => {
    const { open } = await lookAtFindings(all, planner, NOW);
    const { code, part, about, promotions } = open.find((one) => one.code === 'overlap')!;
    const which = { code, part, promotions: promotions.map(({ id }) => id) };
    return { which, outcome: await acceptFinding(all, who, { ...which, about, reason: 'meant so' }) };
  };

  it('stays quiet, says by whom and why, stands in the story of its promotions, and can be taken back', async () => {
    const all = ports();
    const { which, outcome } = await accept(all);
    expect(outcome.ok).toBe(true);
    const view = await lookAtFindings(all, planner, NOW);
    expect(said(view)).toEqual(['below-cost cheap', 'never-wins twin']);
    expect(view.accepted).toMatchObject([
      { code: 'overlap', accepted: { by: 'planner', reason: 'meant so' } },
    ]);
    expect(all.findings.told).toEqual(['cheap', 'twin']);
    expect(await takeBackFinding(all, person('viewer'), which)).toMatchObject({
      failure: { kind: 'forbidden' },
    });
    expect((await takeBackFinding(all, planner, which)).ok).toBe(true);
    expect(await takeBackFinding(all, planner, which)).toMatchObject({ failure: { kind: 'not-found' } });
    expect(said(await lookAtFindings(all, planner, NOW))).toContain('overlap cheap twin');
  });

  it('comes back when something about it changes, and not on another day', async () => {
    const all = ports();
    await accept(all);
    const tomorrow = Date.parse('2027-03-04T10:00:00Z') as never;
    expect(said(await lookAtFindings(all, planner, tomorrow))).not.toContain('overlap cheap twin');
    const wider = {
      ...TWIN,
      offer: { ...TWIN.offer, items: { items: ['spray', 'milk'] } },
    } as PromotionDocument;
    await all.promotions.save(
      { ...CHEAP, offer: { ...CHEAP.offer, items: { items: ['spray', 'milk'] } } } as PromotionDocument,
      1,
      { person: 'x', action: 'changed' },
    );
    await all.promotions.save(wider, 1, { person: 'x', action: 'changed' });
    expect(said(await lookAtFindings(all, planner, NOW))).toContain('overlap cheap twin');
  });

  it.each(['viewer', 'store'] as const)('is not for a %s', async (role) => {
    const all = ports();
    const { outcome } = await accept(all, person(role));
    expect(outcome).toMatchObject({ ok: false, failure: { kind: 'forbidden' } });
    expect(await all.findings.accepted()).toEqual([]);
  });

  it('must be of promotions that there are', async () => {
    const all = ports();
    const which = { code: 'overlap', part: null, promotions: ['cheap', 'nobody'] } as const;
    expect(await acceptFinding(all, planner, { ...which, about: 'x', reason: 'y' })).toMatchObject({
      failure: { kind: 'not-found', what: 'promotion nobody' },
    });
  });
});
