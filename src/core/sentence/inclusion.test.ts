import { describe, expect, it } from 'vitest';
import type { ItemRule } from '../plan/index.ts';
import { inclusionOf, ruleOf } from './index.ts';

describe('a rule taken apart for a sentence', () => {
  const whole: [string, ItemRule][] = [
    ['everything', { all: true }],
    ['one leaf', { node: 'sun-care' }],
    ['any of several', { anyOf: [{ node: 'sun-care' }, { brand: 'Wrenfold' }] }],
    ['a list of items', { items: ['1', '2'] }],
    ['with exceptions', { allOf: [{ node: 'face' }, { not: { tag: 'new' } }, { not: { items: ['7'] } }] }],
    ['everything except', { allOf: [{ all: true }, { not: { node: 'photo' } }] }],
    ['leaves and items', { anyOf: [{ set: 'gifts' }, { items: ['1', '2'] }] }],
  ];
  it.each(whole)('comes back the same: %s', (_, rule) => {
    expect(ruleOf(inclusionOf(rule)!)).toEqual(rule);
  });

  const more: [string, ItemRule][] = [
    ['both of two', { allOf: [{ node: 'face' }, { brand: 'Wrenfold' }] }],
    ['all-of inside any-of', { anyOf: [{ allOf: [{ node: 'a' }, { tag: 'b' }] }, { node: 'c' }] }],
    ['an exception of everything', { allOf: [{ node: 'face' }, { not: { all: true } }] }],
    ['nothing but a not', { not: { node: 'photo' } }],
  ];
  it.each(more)('is left alone where it says more: %s', (_, rule) => {
    expect(inclusionOf(rule)).toBeNull();
  });
});
