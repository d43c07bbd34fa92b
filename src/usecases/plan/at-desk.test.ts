import { expect, it } from 'vitest';
import { inMemory, person } from '../../../tests/plans/ports.ts';
import { change, withPromotions } from '../../../tests/plans/small-plan.ts';
import { beAtDesk, leaveDesk } from '../index.ts';
import type { DeskStore } from '../ports/index.ts';

const NOW = new Date('2027-03-01T10:00:00Z');
const later = (seconds: number) => new Date(NOW.getTime() + seconds * 1_000);

function desksInMemory(): DeskStore {
  const seen = new Map<string, Date>();
  return {
    async here(promotion, who, { now, since }) {
      seen.set(`${promotion} ${who}`, now);
      return [...seen].flatMap(([key, at]) => {
        const [of, name] = key.split(' ');
        return of === promotion && name !== who && at > since ? [name!] : [];
      });
    },
    leave: async (promotion, who) => void seen.delete(`${promotion} ${who}`),
  };
}
const ports = () => ({ ...inMemory(withPromotions(change('a'))), desks: desksInMemory() });
const planner = person('planner');
const approver = person('approver');

it('who writes is told who else has it open, until those leave or were not heard of for a minute', async () => {
  const at = ports();
  const others = async (who: typeof planner, now: Date) => {
    const told = await beAtDesk(at, who, 'a', now);
    return told.ok ? told.value.others : told.failure;
  };
  expect(await others(planner, NOW)).toEqual([]);
  expect(await others(approver, later(30))).toEqual(['planner']);
  expect(await others(planner, later(40))).toEqual(['approver']);
  expect(await others(planner, later(91))).toEqual([]);
  await others(approver, later(92));
  await leaveDesk(at, approver, 'a');
  expect(await others(planner, later(93))).toEqual([]);
});

it('is for those who plan, and for a promotion that is there', async () => {
  const at = ports();
  for (const who of [person('viewer'), person('store', ['east'])]) {
    expect(await beAtDesk(at, who, 'a', NOW)).toMatchObject({ failure: { kind: 'forbidden' } });
    expect(await leaveDesk(at, who, 'a')).toMatchObject({ failure: { kind: 'forbidden' } });
  }
  expect(await beAtDesk(at, planner, 'gone', NOW)).toMatchObject({ failure: { kind: 'not-found' } });
});
