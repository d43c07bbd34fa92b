import { afterEach, beforeEach, expect, it } from 'vitest';
import { JOBS, type JobName, type Jobs, jobs } from '../../src/server/jobs.ts';
import { until } from '../application/until.ts';
import { freshDatabase } from './fresh-database.ts';

let url: string;
let drop: () => Promise<void>;
let desks: Jobs[];
beforeEach(async () => {
  ({ url, drop } = await freshDatabase());
  desks = [];
});
afterEach(async () => {
  await Promise.all(desks.map((desk) => desk.stop()));
  await drop();
});

type Works = Record<JobName, () => Promise<void>>;

/** A server that does one job as it is told, and counts how often it was asked to. */
function server(job: JobName, work: () => Promise<void> = async () => {}) {
  const done = { count: 0 };
  const works = Object.fromEntries(JOBS.map((name) => [name, async () => {}])) as Works;
  works[job] = async () => {
    done.count += 1;
    await work();
  };
  const desk = jobs(url, works);
  desks.push(desk);
  return { desk, done };
}

it('is done once, by one of two servers, however many ask for it', async () => {
  const [one, other] = [server('ring-kept-baskets'), server('ring-kept-baskets')];
  const asked = jobs(url, null);
  desks.push(asked);
  await Promise.all([one, other].map(({ desk }) => desk.ask('ring-kept-baskets', 2)));
  await asked.ask('ring-kept-baskets', 2);
  const sum = async () => one.done.count + other.done.count;
  await until(sum, (count) => count === 1);
  // What was asked again would be done by now.
  await asked.ask('look-through');
  await asked.ask('ring-kept-baskets');
  expect(await until(sum, (count) => count >= 2)).toBe(2);
});

it('is done once more where it is asked for while it is under way, and never beside itself', async () => {
  let [running, most] = [0, 0];
  const slow = async () => {
    running += 1;
    most = Math.max(most, running);
    await new Promise((resolve) => setTimeout(resolve, 600));
    running -= 1;
  };
  const [one, other] = [server('look-through', slow), server('look-through', slow)];
  await one.desk.ask('look-through');
  await until(
    async () => running,
    (count) => count === 1,
  );
  for (const { desk } of [one, other, one]) await desk.ask('look-through');
  const sum = async () => one.done.count + other.done.count;
  await until(sum, (count) => count === 2);
  await until(
    async () => running,
    (count) => count === 0,
  );
  expect([await sum(), most]).toEqual([2, 1]);
});

it('that fails does not keep the next from being done', async () => {
  let fails = true;
  const { desk, done } = server('look-through', async () => {
    if (fails) throw new Error('made to fail');
  });
  await desk.ask('look-through');
  await until(
    async () => done.count,
    (count) => count === 1,
  );
  fails = false;
  await desk.ask('look-through');
  await until(
    async () => done.count,
    (count) => count === 2,
  );
});
