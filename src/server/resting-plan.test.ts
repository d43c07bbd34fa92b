import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { restingPlan } from './resting-plan.ts';

beforeEach(() => {
  vi.useFakeTimers();
});
afterEach(() => {
  vi.useRealTimers();
});

it('calls once for many changes, when the plan has rested', async () => {
  const onChange = vi.fn(async () => {});
  const changed = restingPlan(onChange);
  for (let i = 0; i < 5; i++) {
    changed();
    await vi.advanceTimersByTimeAsync(500);
  }
  expect(onChange).not.toHaveBeenCalled();
  await vi.advanceTimersByTimeAsync(600);
  expect(onChange).toHaveBeenCalledTimes(1);
  await vi.advanceTimersByTimeAsync(60_000);
  expect(onChange).toHaveBeenCalledTimes(1);
});

it('tries again what failed, until it is done', async () => {
  let away = 3;
  const onChange = vi.fn(async () => {
    if (away-- > 0) throw new Error('the database is away');
  });
  restingPlan(onChange)();
  await vi.advanceTimersByTimeAsync(60_000);
  expect(onChange).toHaveBeenCalledTimes(4);
});
