import { describe, expect, it } from 'vitest';
import { SMALL } from '../../../tests/plans/small-plan.ts';
import { parsePlan } from '../../contracts/index.ts';
import { describeFault } from '../plan/index.ts';
import { AIMS, answersInWords, follow, type Lead, MOST_QUESTIONS, type Question } from './index.ts';

/** Every way through the questions, with what it leads to. */
function waysThrough(from: Question, so: readonly string[] = []): { keys: readonly string[]; lead: Lead }[] {
  return from.answers.flatMap(({ key, leads }) => {
    const keys = [...so, key];
    return leads.kind === 'lead' ? [{ keys, lead: leads }] : waysThrough(leads, keys);
  });
}
const WAYS = waysThrough(AIMS);

describe('from the aim to a kind', () => {
  it('takes three questions at most', () => {
    expect(Math.max(...WAYS.map(({ keys }) => keys.length))).toBe(MOST_QUESTIONS);
  });

  it('reaches every kind of offer there is', () => {
    const kinds = new Set(WAYS.map(({ lead }) => lead.offer.kind));
    expect([...kinds].sort()).toEqual([
      'basketReward',
      'combo',
      'deliveryReward',
      'freeGoods',
      'mixAndMatch',
      'priceChange',
      'quantityBreak',
    ]);
  });

  it.each(WAYS.map(({ keys, lead }) => [keys.join(' '), lead] as const))(
    '“%s” begins with an offer that is right once its goods are chosen',
    (_, { offer, more }) => {
      const chosen = JSON.parse(JSON.stringify(offer).replaceAll('{"items":[]}', '{"node":"sun"}'));
      const when = { from: '2027-03-01T09:00' };
      const promotion = { id: 'x', name: 'X', status: 'draft' as const, when, ...more, offer: chosen };
      const parsed = parsePlan({ ...SMALL, promotions: [promotion] });
      expect(parsed.ok ? [] : parsed.faults.map(describeFault)).toEqual([]);
    },
  );

  it('asks no question with two answers of one key', () => {
    const repeated = (from: Question): string[] => {
      const keys = from.answers.map(({ key }) => key);
      const twice = keys.filter((key, i) => keys.indexOf(key) !== i);
      return [
        ...twice,
        ...from.answers.flatMap(({ leads }) => (leads.kind === 'lead' ? [] : repeated(leads))),
      ];
    };
    expect(repeated(AIMS)).toEqual([]);
  });

  it('follows answers step by step, and knows what is none', () => {
    expect(follow(AIMS, [])).toBe(AIMS);
    expect(follow(AIMS, ['clear'])).toMatchObject({ kind: 'question', words: 'What has to go?' });
    expect(follow(AIMS, ['clear', 'many'])).toMatchObject({ kind: 'lead' });
    expect(follow(AIMS, ['clear', 'many', 'more'])).toBeNull();
    expect(follow(AIMS, ['clear', 'nothing'])).toBeNull();
    expect(answersInWords(AIMS, ['clear', 'many'])).toEqual([
      'Clear stock',
      'Many slow items that can be mixed',
    ]);
  });
});
