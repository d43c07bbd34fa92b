import type { PriceFileEnvelope } from '../../src/contracts/index.ts';
import { type KeyPair, keyIdOf, newKeyPair, signedBy } from '../../src/signing/index.ts';
import { change, withPromotions } from './small-plan.ts';

/** A chain with a key pair of its own, that signs price files. */
export function signed(pair: KeyPair = newKeyPair()) {
  return {
    ...pair,
    key: keyIdOf(pair.publicKey),
    /** The small plan with a promotion from May on, unless another plan is given. */
    file(number: number, store = 'east', plan: object = PLAN, more: object = {}): PriceFileEnvelope {
      const content = JSON.stringify({
        format: 'bell-tag-price-file',
        version: 1,
        store,
        number,
        madeAt: '',
        ...more,
        plan,
      });
      return { store, number, content, signature: signedBy(pair.privateKey, content) };
    },
  };
}

const PLAN = withPromotions(change('may', { when: { from: '2027-05-01T09:00' } }));
