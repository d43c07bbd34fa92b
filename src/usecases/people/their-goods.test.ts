import { describe, expect, it } from 'vitest';
import { inMemory, person } from '../../../tests/plans/ports.ts';
import { change, withPromotions } from '../../../tests/plans/small-plan.ts';
import type { Outcome } from '../../contracts/index.ts';
import {
  changeMany,
  changeStanding,
  changeStockroom,
  previewPromotion,
  putEntry,
  savePromotion,
  setPromotionStatus,
  stepPromotion,
} from '../index.ts';

const NOW = Date.parse('2027-04-14T10:00:00Z') as never;
const WHEN = { from: '2027-03-01T09:00', to: '2027-06-01T20:00' };
const of = (id: string, sku: string, more = {}) =>
  change(id, { when: WHEN, items: { items: [sku] }, formula: { percentOff: 500 }, ...more });
const SUN = { ...person('approver'), goods: ['sun'] };
const MINE = of('mine', 'milk');
const THEIRS = of('theirs', 'bar');
const DRAFT = of('draft', 'bar', { status: 'draft' });
const MY_DRAFT = of('my-draft', 'milk', { status: 'draft' });
const plan = () => inMemory(withPromotions(MINE, THEIRS, DRAFT, MY_DRAFT));
type Ports = ReturnType<typeof plan>;

/** Whether it was done, or what it was refused with. */
const told = (outcome: Outcome<unknown>): string => {
  if (outcome.ok) return 'done';
  const { failure } = outcome;
  return failure.kind === 'invalid' ? failure.faults.map(({ what }) => what).join('; ') : failure.kind;
};
const price = (sku: string) => ({ key: null, cells: { item: sku, sku, price: '3.00', since: '2027-09-01' } });
const NOT = /not yours to (price|change)/;

describe('who is kept to the goods of some departments', () => {
  it.each<[string, (ports: Ports, mine: boolean) => Promise<Outcome<unknown>>]>([
    [
      'saves',
      (ports, mine) =>
        savePromotion(ports, SUN, { promotion: { ...(mine ? MINE : THEIRS), priority: 7 }, revision: 1 }),
    ],
    [
      'writes anew',
      (ports, mine) =>
        savePromotion(ports, SUN, {
          promotion: of('newer', mine ? 'oil' : 'bar', { status: 'draft' }),
          revision: null,
        }),
    ],
    [
      'pauses',
      (ports, mine) =>
        setPromotionStatus(ports, SUN, { id: mine ? 'mine' : 'theirs', status: 'paused', revision: 1 }),
    ],
    [
      'submits',
      (ports, mine) =>
        stepPromotion(
          ports,
          SUN,
          { id: mine ? 'my-draft' : 'draft', step: 'submit', reason: '', revision: 1 },
          'now',
        ),
    ],
    [
      'approves',
      (ports, mine) =>
        setPromotionStatus(ports, SUN, { id: mine ? 'my-draft' : 'draft', status: 'approved', revision: 1 }),
    ],
    [
      'does to many',
      (ports, mine) =>
        changeMany(
          ports,
          SUN,
          { ids: mine ? ['mine'] : ['mine', 'theirs'], action: 'archive', days: 0, store: 'east' },
          NOW,
          () => 'x',
        ),
    ],
    ['orders', (ports, mine) => changeStanding(ports, SUN, [{ id: mine ? 'mine' : 'theirs', priority: 3 }])],
    [
      'prices',
      (ports, mine) =>
        changeStockroom(
          ports,
          SUN,
          { table: 'prices', edits: [price(mine ? 'milk' : 'bar')], drops: [], overwrite: true } as never,
          NOW,
        ),
    ],
  ])('%s what is theirs, and nothing else', async (_, doing) => {
    const ports = plan();
    expect(told(await doing(ports, false))).toMatch(NOT);
    expect(ports.actions).toEqual([]);
    expect(told(await doing(ports, true))).toBe('done');
  });

  it('does not take over what was about other goods, nor widen what is theirs', async () => {
    const ports = plan();
    const narrowed = { ...of('theirs', 'milk'), priority: 5 };
    expect(told(await savePromotion(ports, SUN, { promotion: narrowed, revision: 1 }))).toMatch(NOT);
    const widened = { ...of('mine', 'milk'), offer: { ...MINE.offer, items: { node: 'beauty' } } };
    expect(told(await savePromotion(ports, SUN, { promotion: widened, revision: 1 }))).toBe(
      '“Gel 50” and 1 more are not yours to price',
    );
  });

  it('does not change what goods and promotions of others are made of', async () => {
    const entry = { id: 'summer', name: 'Summer', rule: { node: 'sun' } };
    const ports = plan();
    const was = (await ports.book.current()).document.itemSets![0]!;
    expect(told(await putEntry(ports, SUN, { table: 'itemSets', key: 'summer', entry, was }, NOW))).toBe(
      'it is about more than your goods',
    );
  });

  it('reads in the preview that they could not save it', async () => {
    const looked = async (promotion: object) => {
      const outcome = await previewPromotion(plan(), SUN, { promotion, store: null });
      return outcome.ok && outcome.value.house.foreign;
    };
    expect(await looked(THEIRS)).toBe('“Oat bar” is not yours to price');
    expect(await looked(MINE)).toBeNull();
  });
});
