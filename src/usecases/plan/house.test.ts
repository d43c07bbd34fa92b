import { describe, expect, it } from 'vitest';
import { inMemory, person } from '../../../tests/plans/ports.ts';
import { change, type Promoted, withPromotions } from '../../../tests/plans/small-plan.ts';
import type { Person, PromotionStep } from '../../contracts/index.ts';
import type { Instant } from '../../core/calendar/index.ts';
import { type HouseRules, NO_HOUSE_RULES } from '../../core/house-rules/index.ts';
import {
  changeMany,
  openPromotion,
  previewPromotion,
  savePromotion,
  setPromotionStatus,
  stepPromotion,
} from '../index.ts';

const planner = person('planner');
const approver = person('approver');
const second = { ...person('approver'), id: 'second', name: 'Second' };
const NOW = '2027-03-01T10:00:00.000Z';
const AT = Date.parse(NOW) as Instant;
const HALF = { formula: { percentOff: 6_000 } };
const SUNDAY = { when: { from: '2027-03-01T09:00', to: '2027-03-07T20:00' } };
const SATURDAY = { when: { from: '2027-03-01T09:00', to: '2027-03-06T20:00' } };

/** A chain with a draft "a", a promotion "b" that stands, and these rules of the house. */
const chain = (house: Partial<HouseRules>, said: Promoted = {}, another = true) =>
  inMemory(withPromotions(change('a', { ...said, status: 'draft' }), change('b', SUNDAY)), {
    another,
    house: { ...NO_HOUSE_RULES, ...house },
  });
type Chain = ReturnType<typeof chain>;
const at = (ports: Chain, id = 'a') => ports.saved.find(({ promotion }) => promotion.id === id)!;
const step = (ports: Chain, who: Person, name: PromotionStep, id = 'a') =>
  stepPromotion(ports, who, { id, step: name, reason: 'why', revision: at(ports, id).revision }, NOW);
const save = (ports: Chain, who: Person, id: string, said: Promoted) =>
  savePromotion(ports, who, { promotion: change(id, said), revision: at(ports, id).revision });
const many = (ports: Chain, who: Person, action: 'submit' | 'approve' | 'move' | 'end-now', days = 0) =>
  changeMany(ports, who, { ids: ['a', 'b'], action, days, store: 'east' }, AT, () => 'abcdef');

describe('where nothing ends on a Sunday', () => {
  const NO_SUNDAYS = { notEndingOn: ['sun'] } as const;
  const refused = {
    failure: { kind: 'invalid', faults: [{ path: ['when', 'to'], what: 'it ends on a Sunday' }] },
  };

  it('what does is kept as a draft, and neither submitted nor approved', async () => {
    const ports = chain(NO_SUNDAYS, SATURDAY);
    expect(await save(ports, planner, 'a', { ...SUNDAY, status: 'draft' })).toMatchObject({ ok: true });
    expect(await step(ports, planner, 'submit')).toMatchObject(refused);
    expect(at(ports).proposal).toBeNull();
    await save(ports, planner, 'a', { ...SATURDAY, status: 'draft' });
    expect(await step(ports, planner, 'submit')).toMatchObject({ ok: true });
  });

  it('what was submitted before the rule was made is not approved under it', async () => {
    const ports = chain({}, SUNDAY);
    await step(ports, planner, 'submit');
    await ports.rules.change(() => ({ house: { ...NO_HOUSE_RULES, ...NO_SUNDAYS } }), 'administrator');
    expect(await step(ports, approver, 'approve')).toMatchObject(refused);
  });

  it('what stands goes on, is changed in all but its dates, paused, resumed and ended', async () => {
    const ports = chain(NO_SUNDAYS, SATURDAY, false);
    expect(await save(ports, approver, 'b', { ...SUNDAY, priority: 4 })).toMatchObject({ ok: true });
    for (const status of ['paused', 'approved'] as const)
      expect(
        await setPromotionStatus(ports, approver, { id: 'b', status, revision: at(ports, 'b').revision }),
      ).toMatchObject({ ok: true });
    expect(
      await save(ports, approver, 'b', { when: { ...SUNDAY.when, to: '2027-03-14T20:00' } }),
    ).toMatchObject(refused);
  });

  it('many are submitted, approved and moved only where all of them keep it', async () => {
    const ports = chain(NO_SUNDAYS, SUNDAY, false);
    const named = {
      failure: {
        faults: [
          { path: ['ids', 0, 'when', 'to'], what: expect.stringContaining('“a”: it ends on a Sunday') },
        ],
      },
    };
    const one = { ids: ['a'], days: 0, store: 'east' };
    const act = (action: 'submit' | 'approve') =>
      changeMany(ports, approver, { ...one, action }, AT, () => 'abcdef');
    expect(await act('submit')).toMatchObject(named);
    expect(await act('approve')).toMatchObject(named);
    expect(await many(ports, approver, 'move', 7)).toMatchObject({
      failure: { faults: [{ path: ['ids', 1, 'when', 'to'] }] },
    });
    expect(await many(ports, approver, 'move', 1)).toMatchObject({ ok: true });
  });

  it('a draft is told so while it is written, and of days on which the stores are shut', async () => {
    const ports = chain({
      ...NO_SUNDAYS,
      secondFrom: 5_000,
      shutDays: [{ day: '2027-03-07', name: 'Founding day' }],
    });
    const preview = (said: Promoted) =>
      previewPromotion(ports, planner, { promotion: change('d', said), store: null });
    expect(await preview({ ...SUNDAY, ...HALF })).toMatchObject({
      value: {
        house: { broken: [{ rule: 'ends-on', day: 'sun' }], shut: [{ what: 'end', stores: 2 }], two: 5_000 },
      },
    });
    expect(await preview(SATURDAY)).toMatchObject({
      value: { house: { broken: [], foreign: null, shut: [], two: null } },
    });
  });
});

describe('where more than half off takes two approvals', () => {
  const HALF_AT_MOST = { secondFrom: 5_000 };

  it('the first one leaves it a draft, and another person’s makes it count', async () => {
    const ports = chain(HALF_AT_MOST, HALF);
    await step(ports, planner, 'submit');
    expect(await step(ports, approver, 'approve')).toMatchObject({ ok: true });
    expect(at(ports)).toMatchObject({
      promotion: { status: 'draft' },
      proposal: { approvedBy: approver.id },
    });
    expect(await openPromotion(ports, approver, 'a')).toMatchObject({ value: { waiting: { first: 'you' } } });
    expect(await openPromotion(ports, second, 'a')).toMatchObject({
      value: { waiting: { first: 'another' } },
    });
    expect(await step(ports, approver, 'approve')).toMatchObject({
      failure: { faults: [{ what: expect.stringContaining('approved by you already') }] },
    });
    expect(await step(ports, second, 'approve')).toMatchObject({ ok: true });
    expect(at(ports)).toMatchObject({ promotion: { status: 'approved' }, proposal: null });
  });

  it('one is enough for what takes half off', async () => {
    const ports = chain(HALF_AT_MOST, { formula: { percentOff: 5_000 } });
    await step(ports, planner, 'submit');
    await step(ports, approver, 'approve');
    expect(at(ports)).toMatchObject({ promotion: { status: 'approved' } });
  });

  it.each<[string, (ports: Chain) => Promise<unknown>]>([
    ['sent back', (ports) => step(ports, second, 'send-back')],
    ['taken back', (ports) => step(ports, planner, 'take-back')],
    ['written otherwise', (ports) => save(ports, planner, 'a', { ...HALF, priority: 7, status: 'draft' })],
  ])('an approval is gone where it is %s', async (_, undo) => {
    const ports = chain(HALF_AT_MOST, HALF);
    await step(ports, planner, 'submit');
    await step(ports, approver, 'approve');
    await undo(ports);
    await step(ports, planner, 'submit');
    expect(at(ports).proposal).toMatchObject({ approvedBy: null });
    await step(ports, second, 'approve');
    expect(at(ports)).toMatchObject({ promotion: { status: 'draft' } });
  });

  it('whoever may approve alone cannot save past it', async () => {
    const ports = chain(HALF_AT_MOST, {}, false);
    expect(await save(ports, approver, 'a', { ...HALF, status: 'approved' })).toMatchObject({ ok: true });
    expect(at(ports)).toMatchObject({ promotion: { status: 'draft' } });
    expect(await save(ports, approver, 'b', { ...SUNDAY, ...HALF })).toMatchObject({
      value: { waits: true },
    });
    expect(at(ports, 'b')).toMatchObject({ promotion: { offer: change('b').offer } });
    await step(ports, approver, 'approve', 'b');
    expect(at(ports, 'b')).toMatchObject({
      promotion: { offer: change('b').offer },
      proposal: { approvedBy: approver.id },
    });
    await step(ports, second, 'approve', 'b');
    expect(at(ports, 'b')).toMatchObject({ promotion: { offer: { formula: HALF.formula } }, proposal: null });
  });

  it('of many that are approved at once those wait that need it', async () => {
    const ports = chain(HALF_AT_MOST, HALF);
    await step(ports, planner, 'submit');
    const approve = (who: Person) =>
      changeMany(ports, who, { ids: ['a'], action: 'approve', days: 0, store: 'east' }, AT, () => 'abcdef');
    expect(await approve(approver)).toMatchObject({ ok: true });
    expect(at(ports)).toMatchObject({
      promotion: { status: 'draft' },
      proposal: { approvedBy: approver.id },
    });
    expect(await approve(approver)).toMatchObject({ ok: false });
    expect(await approve(second)).toMatchObject({ ok: true });
    expect(at(ports)).toMatchObject({ promotion: { status: 'approved' } });
  });
});
