import fc from 'fast-check';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { keepAsking, pauseAfter } from './rhythm.ts';
import type { Till } from './till-ports.ts';

describe('the pause of a till', () => {
  it.each([
    [0, 5_000],
    [1, 10_000],
    [2, 20_000],
    [3, 40_000],
    [4, 60_000],
    [400, 60_000],
  ])('after %d questions without an answer is %d, in the middle', (failures, pause) => {
    expect(pauseAfter(failures, 5_000, 0.5)).toBe(pause);
  });

  it('is never more than a fifth off, and never shorter than that of one failure less', () => {
    fc.assert(
      fc.property(
        fc.nat(60),
        fc.integer({ min: 100, max: 120_000 }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (failures, every, chance) => {
          const pause = pauseAfter(failures, every, chance);
          expect(pause).toBeGreaterThanOrEqual(Math.min(every, pauseAfter(failures, every, 0.5)) * 0.8);
          expect(pause).toBeLessThanOrEqual(Math.max(60_000, every) * 1.2 + 1e-6);
          expect(pauseAfter(failures + 1, every, chance)).toBeGreaterThanOrEqual(pause);
        },
      ),
    );
  });
});

describe('a till asks', () => {
  beforeEach(() => void vi.useFakeTimers());
  afterEach(() => void vi.useRealTimers());

  /** A till that is answered or not, and a line on which it can be told something. */
  function tilled(said: { answers?: boolean; on?: boolean } = {}) {
    const state = { answers: true, on: true, ...said, polls: 0, opened: 0, closed: 0 };
    let tell = () => {};
    const one = {
      isOn: () => state.on,
      poll: async () => {
        state.polls += 1;
        return state.answers;
      },
    } as unknown as Till;
    const openLine = (onNews: () => void) => {
      state.opened += 1;
      tell = onNews;
      return {
        close() {
          state.closed += 1;
        },
      };
    };
    keepAsking(one, { every: 5_000, first: 0, openLine, chance: () => 0.5 });
    return { state, tell: () => tell(), pass: (ms: number) => vi.advanceTimersByTimeAsync(ms) };
  }

  it('again and again, and at once where it is told to', async () => {
    const { state, tell, pass } = tilled();
    await pass(1);
    expect([state.polls, state.opened]).toEqual([1, 1]);
    await pass(5_000);
    expect(state.polls).toBe(2);
    tell();
    tell();
    await pass(200);
    expect(state.polls).toBe(3);
    await pass(4_700);
    expect([state.polls, state.opened]).toEqual([3, 1]);
  });

  it('ever less where nobody answers, and soon again once somebody does', async () => {
    const { state, pass } = tilled({ answers: false });
    await pass(60_000);
    // After 0, 10, 30 and 70 s.
    expect([state.polls, state.opened]).toEqual([3, 0]);
    state.answers = true;
    await pass(11_000);
    expect([state.polls, state.opened]).toEqual([4, 1]);
    await pass(5_000);
    expect(state.polls).toBe(5);
  });

  it('on no line while it is switched off', async () => {
    const { state, pass } = tilled();
    await pass(1);
    state.on = false;
    await pass(5_000);
    expect(state.closed).toBe(1);
    state.on = true;
    await pass(5_000);
    expect(state.opened).toBe(2);
  });
});
