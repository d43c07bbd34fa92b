import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  canonicalText,
  canonicalTexts,
  canonicalTextWith,
  certificateOf,
  isTrusted,
  keyIdOf,
  learn,
  newestIn,
  newestText,
  newKeyPair,
  signedBy,
  trustIn,
} from './index.ts';

const [first, second, third, stranger] = [newKeyPair(), newKeyPair(), newKeyPair(), newKeyPair()];
const madeAt = '2027-03-01T09:00:00.000Z';
const toSecond = certificateOf(second, first, { madeAt, withdraws: [] });
const toThird = certificateOf(third, second, { madeAt, withdraws: [] });
const trust = trustIn(first.publicKey);
const names = ({ keys }: typeof trust) => [...keys.keys()];

describe('the canonical text', () => {
  // The example of RFC 8785, section 3.2.2, but for its numbers beyond JSON's usual ones.
  it('is that of RFC 8785', () => {
    expect(
      canonicalText({
        literals: [null, true, false],
        numbers: [333333333.3333333, 1e30, 4.5, 2e-3],
        ö: 1,
        'a\n': '€$\u000f',
      }),
    ).toBe(
      '{"a\\n":"€$\\u000f","literals":[null,true,false],"numbers":[333333333.3333333,1e+30,4.5,0.002],"ö":1}',
    );
  });

  it('is the same where the texts of parts are remembered', () => {
    const textOf = canonicalTexts();
    const values = fc.dictionary(fc.string(), fc.dictionary(fc.string(), fc.array(fc.jsonValue())));
    const shared = { z: [1, 'ö'], a: { '€': null, '\r': true } };
    fc.assert(
      fc.property(values, (value) => {
        const whole = { ...value, shared: { all: [shared, shared], gone: undefined } };
        expect(textOf(whole)).toBe(canonicalText(whole));
        expect(textOf(whole)).toBe(canonicalText(whole));
      }),
      { numRuns: 200 },
    );
  });

  it('is the same where one member is known by its text', () => {
    fc.assert(
      fc.property(
        fc.dictionary(fc.string(), fc.jsonValue()),
        fc.string(),
        fc.jsonValue(),
        (rest, name, value) => {
          const { [name]: _, ...others } = rest;
          const whole = Object.fromEntries([...Object.entries(others), [name, value]]);
          expect(canonicalTextWith(others, name, canonicalText(value as object))).toBe(canonicalText(whole));
        },
      ),
      { numRuns: 200 },
    );
  });

  it('is one and the same in whatever order a value was written', () => {
    expect(canonicalText({ b: { d: 1, c: [2, { f: 1, e: 2 }] }, a: 1 })).toBe(
      canonicalText({ a: 1, b: { c: [2, { e: 2, f: 1 }], d: 1 } }),
    );
  });
});

describe('a till learns keys', () => {
  it('that are vouched for, one by the other, from the one it was given by hand', () => {
    const after = learn(trust, [toSecond, toThird]);
    expect(names(after)).toEqual([first, second, third].map(({ publicKey }) => keyIdOf(publicKey)));
    const signature = signedBy(third.privateKey, 'text');
    expect(isTrusted(after, 'text', { key: keyIdOf(third.publicKey), signature })).toBe(true);
    expect(isTrusted(trust, 'text', { key: keyIdOf(third.publicKey), signature })).toBe(false);
    expect(isTrusted(after, 'text', { signature })).toBe(true);
  });

  it('and forgets those that are withdrawn, for good', () => {
    const withdraws = [first, second].map(({ publicKey }) => keyIdOf(publicKey));
    const lost = certificateOf(third, second, { madeAt, withdraws });
    const after = learn(trust, [toSecond, lost]);
    expect(names(after)).toEqual([keyIdOf(third.publicKey)]);
    // Who has the lost key vouches for one of their own, or for the lost one itself.
    const theirs = certificateOf(stranger, first, { madeAt, withdraws: [] });
    expect(names(learn(after, [theirs, toSecond, lost]))).toEqual([keyIdOf(third.publicKey)]);
    const again = certificateOf(first, third, { madeAt, withdraws: [] });
    expect(names(learn(after, [again]))).toEqual([keyIdOf(third.publicKey)]);
  });

  it.each<[string, object]>([
    ['by a stranger', certificateOf(stranger, stranger, { madeAt, withdraws: [keyIdOf(first.publicKey)] })],
    ['and then altered', { ...toSecond, statement: toSecond.statement.replace('09:00', '10:00') }],
    [
      'in the name of another',
      { ...certificateOf(stranger, stranger, { madeAt, withdraws: [] }), key: keyIdOf(first.publicKey) },
    ],
    ['with no signature', { ...toSecond, signature: '' }],
  ])('but none that is vouched for %s', (_, certificate) => {
    expect(learn(trust, [certificate as typeof toSecond])).toEqual(trust);
  });

  it.each([
    ['no JSON', 'not json'],
    ['a price file', canonicalText({ format: 'bell-tag-price-file', version: 1 })],
    [
      'a name that is another key’s',
      canonicalText({ ...JSON.parse(toSecond.statement), id: keyIdOf(third.publicKey) }),
    ],
    ['no list of what it withdraws', canonicalText({ ...JSON.parse(toSecond.statement), withdraws: null })],
  ])('nor a signed text with %s in it', (_, statement) => {
    const certificate = {
      statement,
      key: keyIdOf(first.publicKey),
      signature: signedBy(first.privateKey, statement),
    };
    expect(learn(trust, [certificate])).toEqual(trust);
  });
});

describe('what is vouched for', () => {
  const asked = { store: 's1', nonce: 'ab'.repeat(16) };
  const AT = Date.parse(madeAt);
  const vouched = (of = asked, by = first) => {
    const statement = newestText(of, 12, AT);
    return { statement, key: keyIdOf(by.publicKey), signature: signedBy(by.privateKey, statement) };
  };
  it('counts in answer to the question', () => {
    expect(newestIn(trust, asked, vouched())).toEqual({ number: 12, at: AT });
  });
  it.each<[string, ReturnType<typeof vouched>]>([
    ['in answer to another question', vouched({ ...asked, nonce: 'cd'.repeat(16) })],
    ['of another store', vouched({ ...asked, store: 's2' })],
    ['of a stranger', vouched(asked, stranger)],
    ['altered', { ...vouched(), statement: vouched().statement.replace('12', '11') }],
    [
      'that is something else',
      { ...vouched(), statement: '{}', signature: signedBy(first.privateKey, '{}') },
    ],
    ['that is no JSON', { ...vouched(), statement: 'x', signature: signedBy(first.privateKey, 'x') }],
  ])('does not count %s', (_, said) => {
    expect(newestIn(trust, asked, said)).toBeNull();
  });
});
