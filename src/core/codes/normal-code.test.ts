import { expect, test } from 'vitest';
import { normalCode } from './index.ts';

test.each([
  ['WELCOME-10', 'WELCOME10'],
  ['welcome 10', 'WELCOME10'],
  [' Welcome—10 ', 'WELCOME10'],
  ['ＷＥＬＣＯＭＥ１０', 'WELCOME10'],
  ['straße', 'STRASSE'],
  // An underscore is a sign like any other.
  ['a_b', 'A_B'],
  ['--', '--'],
  ['', ''],
])('"%s" is compared as "%s"', (typed, normal) => {
  expect(normalCode(typed)).toBe(normal);
});
