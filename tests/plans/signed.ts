import { generateKeyPairSync, sign } from 'node:crypto';
import type { PriceFileEnvelope } from '../../src/contracts/index.ts';
import { change, withPromotions } from './small-plan.ts';

/** A chain with a key pair of its own, that signs price files. */
export function signed() {
  const { publicKey, privateKey } = generateKeyPairSync('ed25519');
  return {
    publicKey: publicKey.export({ type: 'spki', format: 'pem' }).toString(),
    /** The small plan with a promotion from May on, unless another plan is given. */
    file(number: number, store = 'east', plan: object = PLAN): PriceFileEnvelope {
      const content = JSON.stringify({
        format: 'bell-tag-price-file',
        version: 1,
        store,
        number,
        madeAt: '',
        plan,
      });
      return {
        store,
        number,
        content,
        signature: sign(null, Buffer.from(content), privateKey).toString('base64'),
      };
    },
  };
}

const PLAN = withPromotions(change('may', { when: { from: '2027-05-01T09:00' } }));
