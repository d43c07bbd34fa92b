import { describe, expect, it } from 'vitest';
import { inMemory, person } from '../../../tests/plans/ports.ts';
import { change, type Promoted, SMALL, withPromotions } from '../../../tests/plans/small-plan.ts';
import type { Person, PromotionStep } from '../../contracts/index.ts';
import { NO_HOUSE_RULES } from '../../core/house-rules/index.ts';
import {
  changeMany,
  listPromotions,
  openPastPromotion,
  openPromotion,
  savePromotion,
  setHouseRules,
  setPromotionStatus,
  setWorkRules,
  stepPromotion,
} from '../index.ts';

const planner = person('planner');
const other = { ...person('planner'), id: 'other', name: 'Other' };
const approver = person('approver');
const ANOTHER = { another: true, stockroom: true };
const ALONE = { another: false, stockroom: false };
const NOW = '2027-03-01T10:00:00.000Z';

/** A promotion "a" that stands, or is in another state, where somebody else has to approve. */
const chain = (said: Promoted = {}, rules = ANOTHER) =>
  inMemory(withPromotions(change('a', said), change('b')), rules);
type Chain = ReturnType<typeof chain>;

const write = (ports: Chain, who: Person, said: Promoted) =>
  savePromotion(ports, who, {
    promotion: change('a', said),
    revision: ports.saved.find(({ promotion }) => promotion.id === 'a')!.revision,
  });
const step = (ports: Chain, who: Person, name: PromotionStep, reason = '') =>
  stepPromotion(
    ports,
    who,
    {
      id: 'a',
      step: name,
      reason,
      revision: ports.saved.find(({ promotion }) => promotion.id === 'a')!.revision,
    },
    NOW,
  );
const at = (ports: Chain) => ports.saved.find(({ promotion }) => promotion.id === 'a')!;
const live = async (ports: Chain) =>
  (await ports.book.current()).document.promotions.find(({ id }) => id === 'a')!;

describe('a change of what is approved', () => {
  it('waits beside it: what is approved goes on pricing as it was', async () => {
    const ports = chain();
    expect(await write(ports, planner, { formula: { percentOff: 5000 } })).toMatchObject({
      value: { waits: true },
    });
    expect(await live(ports)).toEqual(change('a'));
    expect(at(ports).proposal).toMatchObject({
      document: { status: 'approved', offer: { formula: { percentOff: 5000 } } },
      writtenBy: planner.id,
      submittedBy: null,
    });
  });

  it.each<[string, Promoted]>([
    ['name', { name: 'Another' }],
    ['notes', { notes: 'for us' }],
    ['badge', { badge: { default: 'New' } }],
    ['label', { label: { default: 'Spring' } }],
  ])('counts at once where it is its %s alone', async (_, said) => {
    const ports = chain();
    expect(await write(ports, planner, said)).toMatchObject({ value: { waits: false } });
    expect(await live(ports)).toMatchObject({ ...said, status: 'approved' });
    expect(at(ports).proposal).toBeNull();
  });

  it('has its name at once, and the rest waits under the new name', async () => {
    const ports = chain();
    await write(ports, planner, { name: 'Another', priority: 3 });
    expect(await live(ports)).toEqual({ ...change('a'), name: 'Another' });
    await write(ports, planner, { name: 'A third', priority: 3 });
    expect(await openPromotion(ports, planner, 'a')).toMatchObject({
      value: { change: { promotion: { name: 'A third', priority: 3 } } },
    });
  });

  it('waits also where it is paused, and where an approver wrote it', async () => {
    const paused = chain({ status: 'paused' });
    await write(paused, planner, { status: 'paused', priority: 3 });
    expect(await live(paused)).toEqual(change('a', { status: 'paused' }));
    expect(at(paused).proposal).toMatchObject({ document: { status: 'paused', priority: 3 } });
    const ports = chain();
    await write(ports, approver, { priority: 3 });
    expect(await live(ports)).toEqual(change('a'));
  });

  it('counts at once where the chain lets an approver work alone', async () => {
    const ports = chain({}, ALONE);
    await write(ports, approver, { priority: 3 });
    expect(await live(ports)).toMatchObject({ status: 'approved', priority: 3 });
    await write(ports, planner, { priority: 4 });
    expect(await live(ports)).toMatchObject({ status: 'approved', priority: 3 });
  });

  it('is gone where what is written is what stands', async () => {
    const ports = chain();
    await write(ports, planner, { priority: 3 });
    await write(ports, planner, {});
    expect(at(ports).proposal).toBeNull();
  });

  it('does not keep anybody from pausing what stands', async () => {
    const ports = chain();
    await write(ports, planner, { priority: 3 });
    await setPromotionStatus(ports, planner, { id: 'a', status: 'paused', revision: at(ports).revision });
    expect(at(ports)).toMatchObject({
      promotion: { status: 'paused' },
      proposal: { document: { priority: 3 } },
    });
  });
});

describe('the way to approval', () => {
  const submitted = async (who = planner) => {
    const ports = chain();
    await write(ports, who, { priority: 3 });
    expect((await step(ports, who, 'submit')).ok).toBe(true);
    return ports;
  };

  it('puts a change in its place once somebody else has approved it', async () => {
    const ports = await submitted();
    expect(await step(ports, approver, 'approve')).toMatchObject({ ok: true });
    expect(at(ports)).toMatchObject({ promotion: { status: 'approved', priority: 3 }, proposal: null });
    expect(ports.actions).toEqual(['change written', 'submitted', 'change approved']);
  });

  it('leaves all as it was where the change is sent back with a reason, or dropped', async () => {
    const ports = await submitted();
    expect(await step(ports, approver, 'send-back')).toMatchObject({
      failure: { faults: [{ path: ['reason'] }] },
    });
    await step(ports, approver, 'send-back', 'too cheap');
    expect(at(ports).proposal).toMatchObject({ submittedBy: null, returned: { reason: 'too cheap' } });
    expect(await live(ports)).toEqual(change('a'));
    expect((await listPromotions(ports, planner)).find(({ id }) => id === 'a')).toMatchObject({
      waiting: { state: 'sent-back', change: true, reason: 'approver: too cheap' },
    });
    // What is written then still says why it came back.
    await write(ports, planner, { priority: 4 });
    expect(at(ports).proposal).toMatchObject({ returned: { reason: 'too cheap' } });
    await step(ports, planner, 'drop');
    expect(at(ports).proposal).toBeNull();
    expect(await live(ports)).toEqual(change('a'));
  });

  it('is taken by drafts too', async () => {
    const ports = chain({ status: 'draft' });
    expect(await step(ports, approver, 'approve')).toMatchObject({
      failure: { faults: [{ what: 'it was not submitted for approval' }] },
    });
    await write(ports, planner, { status: 'draft', priority: 3 });
    await step(ports, planner, 'submit');
    expect((await listPromotions(ports, approver)).find(({ id }) => id === 'a')).toMatchObject({
      waiting: { state: 'submitted', change: false, by: planner.id },
    });
    await step(ports, approver, 'approve');
    expect(at(ports)).toMatchObject({ promotion: { status: 'approved', priority: 3 }, proposal: null });
  });

  it('begins anew where a submitted draft is written on', async () => {
    const ports = chain({ status: 'draft' });
    await step(ports, planner, 'submit');
    await write(ports, planner, { status: 'draft', priority: 3 });
    expect(at(ports).proposal).toBeNull();
    expect(await step(ports, approver, 'approve')).toMatchObject({ ok: false });
  });

  it.each<[string, () => Promise<Chain>]>([
    ['wrote', async () => submitted(approver)],
    [
      'submitted',
      async () => {
        const ports = chain();
        await write(ports, planner, { priority: 3 });
        await step(ports, approver, 'submit');
        return ports;
      },
    ],
    [
      'drafted',
      async () => {
        const ports = chain({ status: 'draft' });
        await write(ports, approver, { status: 'draft', priority: 3 });
        await step(ports, planner, 'submit');
        return ports;
      },
    ],
  ])('is not ended by who %s it, alone or among many', async (_, prepare) => {
    const ports = await prepare();
    const before = at(ports);
    expect(await step(ports, approver, 'approve')).toMatchObject({
      failure: { faults: [{ what: 'it was written or submitted by you' }] },
    });
    const many = { ids: ['a'], action: 'approve' as const, days: 0, store: 'east' };
    const outcome = await changeMany(ports, approver, many, Date.parse(NOW) as never, () => 'x');
    expect(outcome).toMatchObject({ ok: false, failure: { kind: 'invalid' } });
    const patch = { id: 'a', status: 'approved' as const, revision: before.revision };
    expect((await setPromotionStatus(ports, approver, patch)).ok).toBe(false);
    expect(at(ports)).toEqual(before);
    expect((await step(ports, { ...approver, id: 'second' }, 'approve')).ok).toBe(true);
  });

  it('may be ended by an approver alone where the chain says so, submitted or not', async () => {
    const ports = chain({ status: 'draft' }, ALONE);
    await write(ports, approver, { status: 'draft', priority: 3 });
    expect((await step(ports, approver, 'approve')).ok).toBe(true);
  });

  it.each<[PromotionStep, Person]>([
    ['submit', person('viewer')],
    ['drop', person('store', ['east'])],
    ['approve', planner],
    ['send-back', planner],
  ])('takes no %s from who may not', async (name, who) => {
    expect(await step(await submitted(), who, name, 'why')).toMatchObject({ failure: { kind: 'forbidden' } });
  });

  it.each<[PromotionStep, string]>([
    ['submit', 'nothing waits to be submitted'],
    ['take-back', 'it is not submitted'],
    ['send-back', 'it is not submitted'],
    ['drop', 'no change waits'],
    ['approve', 'it is approved'],
  ])('takes no %s where there is nothing to', async (name, what) => {
    const outcome = await step(chain(), approver, name, 'why');
    expect(!outcome.ok && outcome.failure).toMatchObject({ kind: 'invalid', faults: [{ what }] });
  });

  it('is refused where somebody saved in between, and where the change does not fit the plan any more', async () => {
    const ports = await submitted();
    const stale = { id: 'a', step: 'approve' as const, reason: '', revision: 1 };
    expect(await stepPromotion(ports, approver, stale, NOW)).toMatchObject({ failure: { kind: 'conflict' } });
    const { document } = at(ports).proposal!;
    (document as { where?: object }).where = { group: 'gone' };
    expect(await step(ports, approver, 'approve')).toMatchObject({ failure: { kind: 'invalid' } });
    expect(await live(ports)).toEqual(change('a'));
  });
});

describe('what was paused', () => {
  it('is resumed by who paused it, or who approves, and by nobody else', async () => {
    const paused = async () => {
      const ports = chain();
      await setPromotionStatus(ports, planner, { id: 'a', status: 'paused', revision: 1 });
      return ports;
    };
    const resume = async (who: Person) => {
      const ports = await paused();
      return (await setPromotionStatus(ports, who, { id: 'a', status: 'approved', revision: 2 })).ok;
    };
    expect([await resume(planner), await resume(approver), await resume(other)]).toEqual([true, true, false]);
    const many = { ids: ['a'], action: 'resume' as const, days: 0, store: 'east' };
    const resumeMany = async (who: Person) =>
      (await changeMany(await paused(), who, many, Date.parse(NOW) as never, () => 'x')).ok;
    expect([await resumeMany(planner), await resumeMany(other)]).toEqual([true, false]);
  });
});

describe('what happened to a promotion', () => {
  it('is told with what it was before, and any state of it can be opened', async () => {
    const ports = chain();
    await write(ports, planner, { priority: 3, formula: { percentOff: 2000 } });
    const opened = await openPromotion(ports, planner, 'a');
    if (!opened.ok) throw new Error('not there');
    const differences = [
      { what: 'Price', before: '10 % less', after: '20 % less' },
      { what: 'Priority', before: '100', after: '3' },
    ];
    expect(opened.value).toMatchObject({
      waiting: { state: 'written', change: true },
      change: { differences },
      history: [{ action: 'change written', differences, opens: true }],
    });
    const [entry] = opened.value.history;
    expect(await openPastPromotion(ports, planner, { id: 'a', entry: entry!.id })).toMatchObject({
      value: { promotion: { priority: 3 }, action: 'change written' },
    });
    expect(await openPastPromotion(ports, planner, { id: 'a', entry: 99 })).toMatchObject({ ok: false });
  });

  it('is not told to a store’s people, nor what waits', async () => {
    const ports = chain();
    await write(ports, planner, { priority: 3 });
    const atEast = person('store', ['east']);
    expect(await openPromotion(ports, atEast, 'a')).toMatchObject({
      value: { waiting: null, change: null, history: [{ differences: [], opens: false }] },
    });
    expect(await openPastPromotion(ports, atEast, { id: 'a', entry: 1 })).toMatchObject({ ok: false });
    expect((await listPromotions(ports, atEast)).every(({ waiting }) => waiting === null)).toBe(true);
  });
});

it('the rules of work are set by administrators alone', async () => {
  const ports = chain();
  expect(await setWorkRules(ports, approver, ALONE)).toMatchObject({ failure: { kind: 'forbidden' } });
  expect(await setWorkRules(ports, person('administrator'), ALONE)).toMatchObject({ ok: true, value: ALONE });
  expect(await ports.rules.current()).toMatchObject(ALONE);
  // What is not named stays.
  await setHouseRules(ports, person('administrator'), { ...NO_HOUSE_RULES, longest: 30 });
  expect(await ports.rules.current()).toMatchObject({ ...ALONE, house: { longest: 30 } });
});

it('rules of the house that two change at once are kept where they do not touch, and nothing is where they do', async () => {
  const ports = inMemory(SMALL);
  const basil = person('administrator');
  const was = NO_HOUSE_RULES;
  await setHouseRules(ports, basil, { ...was, longest: 30, was });
  expect(await setHouseRules(ports, basil, { ...was, notEndingOn: ['sun'], was })).toEqual({
    ok: true,
    value: { ...was, longest: 30, notEndingOn: ['sun'] },
  });
  expect(await setHouseRules(ports, basil, { ...was, longest: 14, secondFrom: 5_000, was })).toMatchObject({
    failure: { code: 'settings-saved', current: { clashing: ['longest'], standing: { longest: 30 } } },
  });
  expect((await ports.rules.current()).house).toEqual({ ...was, longest: 30, notEndingOn: ['sun'] });
});
