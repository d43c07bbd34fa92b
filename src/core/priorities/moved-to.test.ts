import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { movedTo, type Ranked, renumbered } from './index.ts';

const list = (...priorities: number[]): Ranked[] =>
  priorities.map((priority, i) => ({ id: 'abcdefgh'[i]!, priority }));
const said = (of: readonly Ranked[]) => of.map(({ id, priority }) => `${id}${priority}`).join(' ');

describe('one that is moved in the order of promotions', () => {
  it.each<[string, Ranked[], string, number, string]>([
    ['takes a number between its neighbours', list(10, 20, 30), 'c', 1, 'a10 c15 b20'],
    ['goes first', list(10, 20, 30), 'c', 0, 'c5 a10 b20'],
    ['goes last', list(10, 20, 30), 'a', 2, 'b20 c30 a40'],
    ['pushes those behind it where there is no room', list(1, 2, 3, 9), 'c', 0, 'c1 a2 b3 d9'],
    ['pushes no more than must', list(4, 5, 7, 20), 'd', 1, 'a4 d5 b6 c7'],
    ['leaves equal ones equal', list(5, 5, 5, 20), 'd', 0, 'd2 a5 b5 c5'],
    ['parts equal ones', list(5, 5, 5), 'c', 1, 'a5 c6 b7'],
    ['stays where it is', list(10, 20), 'b', 1, 'a10 b20'],
    ['is not there', list(10, 20), 'x', 0, 'a10 b20'],
  ])('%s', (_, before, id, place, after) => {
    expect(said(movedTo(before, id, place))).toBe(after);
  });

  it('stands strictly between the others, whose order stays, whatever the numbers are', () => {
    const lists = fc
      .array(fc.integer({ min: 1, max: 12 }), { minLength: 2, maxLength: 8 })
      .map((numbers) => list(...numbers.sort((a, b) => a - b)));
    fc.assert(
      fc.property(lists, fc.nat(7), fc.nat(7), (before, from, to) => {
        const { id } = before[from % before.length]!;
        const place = to % before.length;
        const after = movedTo(before, id, place);
        if (after === before) return;
        expect(after[place]!.id).toBe(id);
        const others = (of: readonly Ranked[]) => of.filter((one) => one.id !== id).map((one) => one.id);
        expect(others(after)).toEqual(others(before));
        after.forEach(({ priority }, i) => {
          const next = after[i + 1];
          if (!next) return;
          const touches = i === place || i + 1 === place;
          if (touches) expect(next.priority).toBeGreaterThan(priority);
          else expect(next.priority).toBeGreaterThanOrEqual(priority);
        });
        // Equal ones on one side of it are equal still.
        const was = new Map(before.map((one) => [one.id, one.priority]));
        for (const side of [after.slice(0, place), after.slice(place + 1)])
          side.forEach((one, i) => {
            const next = side[i + 1];
            if (next) expect(one.priority === next.priority).toBe(was.get(one.id) === was.get(next.id));
          });
        for (const { id: changed } of renumbered(before, after))
          expect(after.findIndex((one) => one.id === changed)).toBeGreaterThanOrEqual(place);
      }),
    );
  });
});
