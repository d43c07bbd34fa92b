import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { NotAnswered } from '../http/not-answered.ts';
import { type Job, type Thread, threadPool } from './thread-pool.ts';

interface Answer {
  readonly number: number;
  readonly text: string;
  readonly last: boolean;
}
/** A thread that answers when it is told to. */
class Scripted implements Thread<{ number: number; name: string }, Answer> {
  asked: { number: number; name: string } | null = null;
  stopped = false;
  private answer: (answer: Answer) => void = () => {};
  private gone: () => void = () => {};
  post(question: { number: number; name: string }) {
    this.asked = question;
  }
  onAnswer(listener: (answer: Answer) => void) {
    this.answer = listener;
  }
  onGone(listener: () => void) {
    this.gone = listener;
  }
  stop() {
    this.stopped = true;
    this.gone();
  }
  die() {
    this.gone();
  }
  say(text: string, last = true) {
    const { number } = this.asked!;
    if (last) this.asked = null;
    this.answer({ number, text, last });
  }
}

let threads: Scripted[];
const pool = (count = 3) => {
  threads = [];
  return threadPool<{ number: number; name: string }, Answer>({
    threads: count,
    begin: () => {
      const thread = new Scripted();
      threads.push(thread);
      return thread;
    },
    queue: { inAll: 10, perPerson: 4, patience: 1_000 },
    isLast: ({ last }) => last,
    numberOf: ({ number }) => number,
    now: () => Date.now(),
  });
};
type Question = { number: number; name: string };
const job = (name: string, person = 'ann', more: Partial<Job<Question>> = {}): Job<Question> => ({
  person,
  lane: 'ordinary',
  size: 0,
  within: 5_000,
  question: (number) => ({ number, name }),
  ...more,
});
const running = () => threads.flatMap(({ asked }) => (asked ? [asked.name] : []));
const outcome = (work: Promise<Answer>) =>
  work.then(
    ({ text }) => text,
    (error: unknown) => (error instanceof NotAnswered ? error.why : error),
  );

beforeEach(() => vi.useFakeTimers());
afterEach(() => vi.useRealTimers());

describe('a pool of threads', () => {
  it('hands a question to a thread and gives its answer, with what is said before it', async () => {
    const news: string[] = [];
    const work = pool(1).run(job('a'), ({ text }) => news.push(text));
    threads[0]!.say('half', false);
    threads[0]!.say('whole');
    expect(await outcome(work)).toBe('whole');
    expect(news).toEqual(['half']);
  });

  it('keeps its first thread for what is quick, and one of the others for other people', () => {
    const all = pool(4);
    for (const name of ['a1', 'a2', 'a3']) void outcome(all.run(job(name)));
    expect(running().sort()).toEqual(['a1', 'a2']);
    void outcome(all.run(job('b', 'ben')));
    void outcome(all.run(job('c', 'cy')));
    expect(running().sort()).toEqual(['a1', 'a2', 'b']);
    void outcome(all.run(job('glance', 'cy', { lane: 'quick' })));
    expect(running().sort()).toEqual(['a1', 'a2', 'b', 'glance']);
  });

  it('lets one person’s long questions take one thread, and everybody’s not the last one', () => {
    const all = pool(4);
    const lane = 'long';
    for (const [name, person] of [
      ['a1', 'ann'],
      ['a2', 'ann'],
      ['b', 'ben'],
      ['c', 'cy'],
    ] as const)
      void outcome(all.run(job(name, person, { lane })));
    expect(running().sort()).toEqual(['a1', 'b']);
    void outcome(all.run(job('ordinary', 'dee')));
    expect(running().sort()).toEqual(['a1', 'b', 'ordinary']);
  });

  it('leaves room for what somebody waits for beside what is worked out ahead, their own too', () => {
    const all = pool(4);
    for (const [name, person] of [
      ['ahead', 'nobody'],
      ['beside', 'ann'],
    ] as const)
      void outcome(all.run(job(name, person, { lane: 'beside' })));
    expect(running()).toEqual(['ahead']);
    void outcome(all.run(job('review', 'ann', { lane: 'long' })));
    expect(running().sort()).toEqual(['ahead', 'review']);
    threads.find(({ asked }) => asked?.name === 'ahead')!.say('done');
    void outcome(all.run(job('send', 'ben', { lane: 'long' })));
    expect(running().sort()).toEqual(['beside', 'review']);
    void outcome(all.run(job('glance', 'ann')));
    void outcome(all.run(job('glance', 'cy')));
    expect(running().sort()).toEqual(['beside', 'glance', 'review']);
  });

  it('stops what takes too long, with its thread, and goes on with the next', async () => {
    const all = pool(1);
    const slow = outcome(all.run(job('slow')));
    const next = outcome(all.run(job('next', 'ben')));
    vi.advanceTimersByTime(5_001);
    expect(await slow).toBe('took-too-long');
    expect([threads[0]!.stopped, threads.length]).toEqual([true, 2]);
    threads[1]!.say('done');
    expect(await next).toBe('done');
  });

  it('says that a thread died, and begins another', async () => {
    const all = pool(1);
    const work = outcome(all.run(job('a')));
    threads[0]!.die();
    expect(await work).toBe('died');
    const again = outcome(all.run(job('b')));
    threads[1]!.say('done');
    expect(await again).toBe('done');
  });

  it('forgets what nobody waits for: at once where it waits, soon where it runs', async () => {
    const all = pool(1);
    const first = new AbortController();
    const second = new AbortController();
    const begun = outcome(all.run(job('begun', 'ann', { signal: first.signal })));
    const waiting = outcome(all.run(job('waiting', 'ben', { signal: second.signal })));
    second.abort();
    expect(await waiting).toBe('nobody-waits');
    expect(all.waiting).toBe(0);
    first.abort();
    expect(await begun).toBe('nobody-waits');
    expect(threads[0]!.stopped).toBe(false);
    vi.advanceTimersByTime(1_001);
    expect(threads[0]!.stopped).toBe(true);
    expect(all.running).toBe(0);
  });

  it('refuses what is too much, of one person and of all', async () => {
    const all = pool(1);
    const outcomes = Array.from({ length: 6 }, (_, i) => outcome(all.run(job(`${i}`))));
    expect(await outcomes.at(-1)).toBe('person-full');
    for (const person of ['b', 'c', 'd', 'e', 'f', 'g']) void outcome(all.run(job(person, person)));
    expect(await outcome(all.run(job('last', 'z')))).toBe('full');
  });
});
