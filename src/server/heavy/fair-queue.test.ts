import { describe, expect, it } from 'vitest';
import { fairQueue, type Waiting } from './fair-queue.ts';

interface Entry extends Waiting {
  readonly name: string;
}
const entry = (name: string, person: string, size = 0, since = 0): Entry => ({
  name,
  person,
  size,
  since,
  lane: 'ordinary',
});
const LIMITS = { inAll: 5, perPerson: 3, patience: 1_000 };

function served(entries: readonly Entry[], may: (one: Entry) => boolean = () => true, now = 0): string[] {
  const queue = fairQueue<Entry>({ ...LIMITS, inAll: 100, perPerson: 100 });
  for (const one of entries) queue.add(one);
  const names: string[] = [];
  for (let next = queue.take(may, now); next; next = queue.take(may, now)) names.push(next.name);
  return names;
}

describe('a fair queue', () => {
  it('lets people take turns, however much one of them asks', () => {
    const many = Array.from({ length: 4 }, (_, i) => entry(`a${i}`, 'ann', 0, i));
    expect(served([...many, entry('b', 'ben', 0, 5), entry('c', 'cy', 0, 6)])).toEqual([
      'a0',
      'b',
      'c',
      'a1',
      'a2',
      'a3',
    ]);
  });
  it('serves one’s small questions before one’s large ones', () => {
    expect(served([entry('large', 'ann', 9_000, 0), entry('small', 'ann', 10, 1)])).toEqual([
      'small',
      'large',
    ]);
  });
  it('lets nothing wait for ever behind what is smaller', () => {
    const entries = [entry('large', 'ann', 9_000, 0), entry('small', 'ann', 10, 1_500)];
    expect(served(entries, () => true, 2_000)).toEqual(['large', 'small']);
  });
  it('passes over what may not begin yet', () => {
    expect(served([entry('a', 'ann'), entry('b', 'ben')], ({ person }) => person === 'ben')).toEqual(['b']);
  });
  it('takes in so many of one person and so many in all, and says which it was', () => {
    const queue = fairQueue<Entry>(LIMITS);
    const added = ['ann', 'ann', 'ann', 'ann', 'ben', 'ben', 'ben'].map((person, i) =>
      queue.add(entry(`${i}`, person)),
    );
    expect(added).toEqual([null, null, null, 'person-full', null, null, 'full']);
    expect(queue.length).toBe(5);
  });
});
