import { describe, expect, it } from 'vitest';
import { offer } from '../../../tests/plans/basket-plan.ts';
import { inMemory, person } from '../../../tests/plans/ports.ts';
import { change, withPromotions } from '../../../tests/plans/small-plan.ts';
import type { ManyAction } from '../../contracts/index.ts';
import {
  beginPromotion,
  changeMany,
  dropTemplate,
  keepTemplate,
  listTemplates,
  type ManyRequest,
  previewMany,
  type StoredTemplate,
  type TemplateStore,
  undoMany,
} from '../index.ts';

const planner = person('planner');
const approver = person('approver');
const NOW = Date.parse('2027-04-14T10:00:20Z') as never;
const letters = () => 'abcdef';
/** A Monday to the Sunday after it. */
const WEEK = { from: '2027-03-01T09:00', to: '2027-03-07T20:00' };
const asked = (action: ManyAction, more: Partial<ManyRequest> = {}): ManyRequest => ({
  ids: ['a'],
  action,
  days: 7,
  store: 'east',
  ...more,
});

describe('many promotions at once', () => {
  it.each<[ManyAction, Parameters<typeof change>[1], object]>([
    ['approve', { status: 'draft' }, { status: 'approved' }],
    ['withdraw', {}, { status: 'draft' }],
    ['pause', {}, { status: 'paused' }],
    ['resume', { status: 'paused' }, { status: 'approved' }],
    ['archive', {}, { status: 'archived' }],
    ['end-now', {}, { when: { from: '2027-03-01T09:00', to: '2027-04-14T12:01' } }],
    ['move', {}, { when: { from: '2027-03-08T09:00', to: '2027-06-08T20:00' } }],
  ])('%s makes of %j %j', async (action, said, wanted) => {
    const ports = inMemory(withPromotions(change('a', said)));
    expect(await changeMany(ports, approver, asked(action), NOW, letters)).toEqual({
      ok: true,
      value: { changed: 1, ids: ['a'] },
    });
    expect(ports.saved[0]!.promotion).toMatchObject(wanted);
  });

  it('are copied as drafts with ids of their own, the dates so many days later', async () => {
    const ports = inMemory(withPromotions(change('a', { when: WEEK }), change('b', { when: WEEK })));
    const outcome = await changeMany(ports, planner, asked('again', { ids: ['a', 'b'] }), NOW, letters);
    expect(outcome).toMatchObject({ value: { ids: ['a-abcdef', 'b-abcdef'] } });
    expect(ports.saved.map(({ promotion }) => [promotion.id, promotion.status, promotion.when.from])).toEqual(
      [
        ['a', 'approved', '2027-03-01T09:00'],
        ['b', 'approved', '2027-03-01T09:00'],
        ['a-abcdef', 'draft', '2027-03-08T09:00'],
        ['b-abcdef', 'draft', '2027-03-08T09:00'],
      ],
    );
  });

  it.each<[ManyAction, Parameters<typeof change>[1], string]>([
    ['pause', { status: 'draft' }, 'is draft'],
    ['resume', {}, 'is approved'],
    ['end-now', { when: { from: '2027-05-01T09:00' } }, 'has not started'],
    ['end-now', { when: { from: '2027-03-01T09:00', to: '2027-04-01T00:00' } }, 'is over already'],
  ])('%s is refused for %j: it %s', async (action, said, what) => {
    const fitting = change('b', action === 'resume' ? { status: 'paused' } : {});
    const ports = inMemory(withPromotions(change('a', said), fitting));
    const outcome = await changeMany(ports, approver, asked(action, { ids: ['a', 'b'] }), NOW, letters);
    expect(outcome).toMatchObject({
      ok: false,
      failure: { kind: 'invalid', faults: [{ path: ['ids', 0], what: `“a” ${what}` }] },
    });
    expect(ports.actions).toEqual([]);
  });

  it.each<[ManyAction, boolean]>([
    ['approve', false],
    ['resume', false],
    ['pause', true],
    ['again', true],
  ])('%s by a planner: %s', async (action, may) => {
    const status = action === 'resume' ? 'paused' : action === 'approve' ? 'draft' : 'approved';
    const ports = inMemory(withPromotions(change('a', { status })));
    expect((await changeMany(ports, planner, asked(action), NOW, letters)).ok).toBe(may);
  });

  it('are named by the day of their copy, and by no day before it', async () => {
    const ports = inMemory(withPromotions(change('a', { name: 'Teas (1 Mar 2027)', when: WEEK })));
    await changeMany(ports, planner, asked('again'), NOW, letters);
    expect(ports.saved.at(-1)!.promotion.name).toBe('Teas (8 Mar 2027)');
  });

  it('give nothing twice: what still runs is cut off or left out, and told', async () => {
    const ports = inMemory(
      withPromotions(
        change('open', { when: { from: '2027-03-01T09:00' } }),
        change('cut', { when: { from: '2027-03-01T09:00', to: '2027-03-10T20:00' } }),
        change('week', { when: WEEK }),
      ),
    );
    const request = asked('again', { ids: ['open', 'cut', 'week'] });
    expect(await previewMany(ports, planner, request, NOW, letters)).toMatchObject({
      value: {
        left: [{ name: 'open', why: 'it has no end, and runs on by itself' }],
        promotions: [
          { id: 'cut-abcdef', cut: true, from: '2027-03-10T20:00', to: '2027-03-17T20:00' },
          { id: 'week-abcdef', cut: false, from: '2027-03-08T09:00' },
        ],
      },
    });
    expect(await changeMany(ports, planner, request, NOW, letters)).toMatchObject({ value: { changed: 2 } });
    const nothing = asked('again', { ids: ['open'] });
    expect(await changeMany(ports, planner, nothing, NOW, letters)).toMatchObject({
      failure: { kind: 'invalid' },
    });
  });

  it('say beforehand what each would do in its own span, with all the others standing', async () => {
    const off = (id: string, when: object) => ({
      ...offer(id, {
        kind: 'basketReward',
        threshold: 'subtotal',
        tiers: [{ atLeast: '1.00', amountOff: '5.00' }],
      }),
      when: when as never,
    });
    const ports = inMemory(
      withPromotions(change('a', { when: WEEK, items: { items: ['milk'] } }), off('reward', WEEK)),
    );
    const outcome = await previewMany(ports, planner, asked('again', { ids: ['a', 'reward'] }), NOW, letters);
    if (!outcome.ok) throw new Error('refused');
    const [first, second] = outcome.value.promotions;
    expect(first).toMatchObject({ span: { kind: 'prices', down: 1, up: 0, store: 'East' } });
    expect(second!.span).toMatchObject({ kind: 'basket' });
    const span = second!.span as { before: string; after: string };
    expect(Number(span.before) - Number(span.after)).toBeCloseTo(5, 2);
  });

  describe('are taken back', () => {
    const did = async (action: ManyAction, who = approver, said: Parameters<typeof change>[1] = {}) => {
      const ports = inMemory(withPromotions(change('a', { when: WEEK, ...said })));
      const before = ports.saved[0]!.promotion;
      const outcome = await changeMany(ports, who, asked(action), NOW, letters);
      if (!outcome.ok) throw new Error(JSON.stringify(outcome.failure));
      return { ports, before, ids: outcome.value.ids };
    };
    it.each<[ManyAction, Parameters<typeof change>[1]]>([
      ['pause', {}],
      ['withdraw', {}],
      ['archive', {}],
      ['resume', { status: 'paused' }],
      ['approve', { status: 'draft' }],
      ['move', {}],
      ['submit', { status: 'draft' }],
    ])('%s', async (action, said) => {
      const { ports, before, ids } = await did(action, approver, said);
      expect(await undoMany(ports, approver, { ...asked(action), ids }, NOW)).toMatchObject({
        value: { changed: 1 },
      });
      expect(ports.saved.at(-1)).toMatchObject({ promotion: before, proposal: null });
    });

    it('by putting copies away', async () => {
      const { ports, ids } = await did('again');
      await undoMany(ports, approver, { ...asked('again'), ids }, NOW);
      expect(ports.saved.at(-1)!.promotion).toMatchObject({ id: 'a-abcdef', status: 'archived' });
    });

    it('by a planner who paused, to what was approved', async () => {
      const { ports, before } = await did('pause', planner);
      expect(await undoMany(ports, planner, asked('pause'), NOW)).toMatchObject({ ok: true });
      expect(ports.saved[0]!.promotion).toEqual(before);
    });

    it('with what was submitted, where an approval is taken back', async () => {
      const ports = inMemory(withPromotions(change('a', { status: 'draft' })));
      await changeMany(ports, planner, asked('submit'), NOW, letters);
      await changeMany(ports, approver, asked('approve'), NOW, letters);
      await undoMany(ports, approver, asked('approve'), NOW);
      expect(ports.saved[0]).toMatchObject({
        promotion: { status: 'draft' },
        proposal: { document: null, submittedBy: planner.id },
      });
    });

    it('by nobody else, nor where something was done since', async () => {
      const { ports } = await did('pause');
      expect(await undoMany(ports, planner, asked('pause'), NOW)).toMatchObject({
        failure: { kind: 'invalid' },
      });
      await changeMany(ports, approver, asked('archive'), NOW, letters);
      expect(await undoMany(ports, approver, asked('pause'), NOW)).toMatchObject({
        failure: { kind: 'invalid' },
      });
      expect(await undoMany(ports, person('viewer'), asked('pause'), NOW)).toMatchObject({
        failure: { kind: 'forbidden' },
      });
    });
  });

  it('moved by somebody who does not approve go on, and their move waits beside them', async () => {
    const ports = inMemory(withPromotions(change('a')));
    const { when } = change('a');
    await changeMany(ports, planner, asked('move'), NOW, letters);
    expect(ports.saved[0]).toMatchObject({
      promotion: { status: 'approved', when },
      proposal: {
        document: { when: { from: '2027-03-08T09:00' } },
        writtenBy: planner.id,
        submittedBy: null,
      },
    });
    // Moved once more, it is what waits that is moved.
    await changeMany(ports, planner, asked('move'), NOW, letters);
    expect(ports.saved[0]).toMatchObject({
      promotion: { when },
      proposal: { document: { when: { from: '2027-03-15T09:00' } } },
    });
  });

  it('say beforehand which prices of this moment would change', async () => {
    const ports = inMemory(
      withPromotions(
        change('a', { items: { items: ['milk', 'oil'] } }),
        change('b', { status: 'draft', items: { items: ['spray'] }, where: { stores: ['east'] } }),
      ),
    );
    expect(await previewMany(ports, approver, asked('pause'), NOW, letters)).toMatchObject({
      value: { items: 2, stores: 2, up: 4, down: 0, promotions: [{ id: 'a', status: 'paused' }] },
    });
    expect(await previewMany(ports, approver, asked('approve', { ids: ['b'] }), NOW, letters)).toMatchObject({
      value: { items: 1, stores: 1, up: 0, down: 1 },
    });
    expect(await previewMany(ports, approver, asked('again', { days: 98 }), NOW, letters)).toMatchObject({
      value: { items: 0, stores: 0, promotions: [{ id: 'a-abcdef', from: '2027-06-07T09:00' }] },
    });
    expect(ports.actions).toEqual([]);
  });

  it('are not found, or not there for the person', async () => {
    const ports = inMemory(withPromotions(change('a')));
    expect(await changeMany(ports, approver, asked('pause', { ids: ['x'] }), NOW, letters)).toMatchObject({
      failure: { kind: 'not-found', what: 'promotion x' },
    });
    expect(await changeMany(ports, person('planner', ['west']), asked('pause'), NOW, letters)).toMatchObject({
      failure: { kind: 'not-found', what: 'store east' },
    });
  });
});

/** Templates in memory. */
function templates(): TemplateStore {
  const kept: StoredTemplate[] = [];
  return {
    all: async () => kept,
    othersThan: async (name) => kept.filter((template) => template.name !== name).length,
    async put(name, promotion) {
      kept.push({ id: kept.length + 1, name, promotion });
      return kept.length;
    },
    drop: async (id) => kept.splice(id - 1, 1).length > 0,
  };
}

describe('what a new price change begins with', () => {
  const ports = () => ({ ...inMemory(withPromotions(change('a'))), templates: templates() });
  it('is a copy in the first weeks to come, a draft without an id', async () => {
    expect(await beginPromotion(ports(), planner, { copy: 'a' }, '2027-04-14T12:00')).toMatchObject({
      id: '',
      status: 'draft',
      when: { from: '2027-04-19T09:00', to: '2027-07-20T20:00' },
    });
  });

  it('is a template, or nothing where there is none', async () => {
    const all = ports();
    await keepTemplate(all, planner, { name: ' Weekend ', promotion: change('w') });
    expect(await beginPromotion(all, planner, { template: '1' }, '2027-02-01T00:00')).toMatchObject({
      when: { from: '2027-03-08T09:00' },
    });
    const [listed] = await listTemplates(all, planner);
    expect(listed).toMatchObject({ name: 'Weekend' });
    expect(listed!.sentence).toContain('10 % less on everything');
    expect(await beginPromotion(all, planner, { template: '2' }, '2027-02-01T00:00')).toBeNull();
    expect(await beginPromotion(all, planner, {}, '2027-02-01T00:00')).toBeNull();
  });

  it('is kept as a template in reasonable numbers; an old one can always be replaced', async () => {
    const all = ports();
    for (let n = 0; n < 500; n++) await all.templates.put(`t${n}`, change('w'), planner.id);
    expect(await keepTemplate(all, planner, { name: 'one more', promotion: change('w') })).toMatchObject({
      failure: { kind: 'invalid' },
    });
    expect(await keepTemplate(all, planner, { name: 't7', promotion: change('w') })).toMatchObject({
      ok: true,
    });
  });

  it('is kept as a template only by who plans, with a name, and whole', async () => {
    const all = ports();
    expect(await keepTemplate(all, person('viewer'), { name: 'x', promotion: change('w') })).toMatchObject({
      failure: { kind: 'forbidden' },
    });
    expect(await keepTemplate(all, planner, { name: ' ', promotion: change('w') })).toMatchObject({
      failure: { kind: 'invalid' },
    });
    expect(
      await keepTemplate(all, planner, {
        name: 'x',
        promotion: { ...change('w'), where: { group: 'gone' } },
      }),
    ).toMatchObject({ failure: { kind: 'invalid' } });
    expect(await dropTemplate(all, planner, 1)).toMatchObject({ failure: { kind: 'not-found' } });
  });
});
