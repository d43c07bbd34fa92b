import Joi from 'joi';
import { describe, expect, it } from 'vitest';
import { shape } from './shape.ts';
import { soundnessFault } from './sound-value.ts';

const nested = (depth: number): unknown =>
  JSON.parse(`${'[{"a":'.repeat(depth / 2)}1${'}]'.repeat(depth / 2)}`);

describe('a value from outside', () => {
  it.each<[string, unknown, (string | number)[]]>([
    ['a NUL in a text', { a: [{ b: 'x\0y' }] }, ['a', 0, 'b']],
    ['half a character', { a: 'x\ud800' }, ['a']],
    ['half a character in a key', { a: { 'b\udfff': 1 } }, ['a']],
    ['a NUL as the whole value', '\0', []],
  ])('with %s is refused where it stands', (_, raw, path) => {
    expect(soundnessFault(raw)).toMatchObject({ path });
  });

  it('that is nested too deeply is refused, however deep, without following it down', () => {
    expect(soundnessFault(nested(40))).toBeNull();
    expect(soundnessFault(nested(42))?.what).toMatch(/nested/);
    expect(soundnessFault(nested(200_000))?.what).toMatch(/nested/);
  });

  it('with more values than are taken is refused', () => {
    expect(soundnessFault([1, 2, 3], { depth: 3, values: 2 })?.what).toMatch(/too much/);
  });

  it('is looked at before its shape', () => {
    expect(shape(Joi.object().unknown(), nested(100_000)).ok).toBe(false);
    expect(shape(Joi.string(), 'x\0')).toMatchObject({
      ok: false,
      faults: [{ what: expect.stringMatching(/NUL/) }],
    });
  });

  it.each(['', 'plain', 'Crème 👩‍👩‍👧', '\u{1f600}', '\t\n'])('may hold %j', (text) => {
    expect(soundnessFault({ [text]: [text, null, 1, true] })).toBeNull();
  });
});
