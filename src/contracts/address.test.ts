import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { idInAddress, idOfAddress, numberOfAddress, pathInOneWay } from './address.ts';

const ODD = [
  'a/b',
  'a?b',
  'a#b',
  'a&b',
  'a+b',
  'a,b',
  'a:b',
  'a;b',
  'a=b',
  'a@b',
  'a$b',
  'a%b',
  'a%2Fb',
  'a b',
  'ä',
  '.',
  '..',
  '~x',
  'many',
  'new',
  'a.',
  '\\',
];

describe('an id in an address', () => {
  it.each(['face-week', 'Q100181', 'a.b_c-1', 's001'])('is itself where it is plain: %s', (id) => {
    expect(idInAddress(id)).toBe(id);
  });
  it.each(ODD)('comes back as it was: %s', (id) => {
    expect(idInAddress(id)).toMatch(/^~[\w-]+$/);
    expect(idOfAddress(idInAddress(id))).toBe(id);
    // What others write with escapes means the same.
    expect(pathInOneWay(`/plan/${encodeURIComponent(id)}`)).toBe(
      encodeURIComponent(id) === id ? `/plan/${id}` : `/plan/${idInAddress(id)}`,
    );
  });
  it('comes back whatever it is, and survives what addresses go through', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'grapheme', minLength: 1, maxLength: 60 }), (id) => {
        const url = new URL(`/plan/${idInAddress(id)}`, 'http://x.example');
        expect(idOfAddress(url.pathname.slice('/plan/'.length))).toBe(id);
      }),
    );
  });
  it.each(['~', '~!', '~Zm9', '~//', '~YQ'])(
    'that only looks like one of ours is taken as it stands: %s',
    (text) => {
      expect(idOfAddress(text)).toBe(text);
    },
  );
});

it.each([
  ['1', 1],
  ['999999999', 999_999_999],
  ['0', null],
  ['01', null],
  ['-1', null],
  ['1.5', null],
  ['abc', null],
  ['9999999999', null],
  ['', null],
])('the number of an address "%s" is %s', (text, number) => {
  expect(numberOfAddress(text)).toBe(number);
});

it.each(['/plan/%00', '/plan/%zz', '/plan/%ff', '/plan/a%0Ab'])(
  'a path that nobody can read stays as it is: %s',
  (path) => {
    expect(pathInOneWay(path)).toBe(path);
  },
);
