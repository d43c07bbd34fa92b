import { generateKeyPairSync, sign } from 'node:crypto';
import { describe, expect, it } from 'vitest';
import { accept } from './accept.ts';

const { publicKey, privateKey } = generateKeyPairSync('ed25519');
const pem = publicKey.export({ type: 'spki', format: 'pem' }).toString();
const till = { store: 's1', publicKey: pem, holds: 4 };

function file(fields: object = {}, number = 5) {
  const content = JSON.stringify({
    format: 'bell-tag-price-file',
    version: 1,
    store: 's1',
    number,
    plan: {},
    ...fields,
  });
  return {
    store: 's1',
    number,
    content,
    signature: sign(null, Buffer.from(content), privateKey).toString('base64'),
  };
}

describe('a till', () => {
  it('takes a newer file of its chain and store', () => {
    expect(accept(file(), till).ok).toBe(true);
  });

  it.each<[string, unknown, RegExp]>([
    [
      'one that was changed on the way',
      { ...file(), content: file().content.replace('s1', 's2') },
      /tampered/,
    ],
    ['one that was cut off', { ...file(), content: file().content.slice(0, -5) }, /cut off/],
    ['one of another store', file({ store: 's2' }), /for store s2/],
    ['one that is not newer', file({}, 4), /not newer than 4/],
    ['one whose number outside was changed', { ...file({}, 4), number: 6 }, /says inside/],
    ['something else', { hello: 1 }, /form/],
  ])('refuses %s', (_, raw, why) => {
    const accepted = accept(raw, till);
    expect(accepted.ok ? '' : accepted.why).toMatch(why);
  });
});
