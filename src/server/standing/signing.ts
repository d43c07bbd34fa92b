import { createHash, createPrivateKey, generateKeyPairSync, sign } from 'node:crypto';
import { desc } from 'drizzle-orm';
import { type Database, schema } from '../../db/index.ts';
import type { Signer, SigningKeys } from '../../usecases/ports/index.ts';

/** The chain's keys, read when one is wanted. */
export const signingKeys = (db: Database): SigningKeys => ({ newest: () => newestSigner(db) });

/** The signer with the chain's newest key pair; makes the first pair where there is none. */
async function newestSigner(db: Database): Promise<Signer> {
  const [found] = await db.select().from(schema.signingKey).orderBy(desc(schema.signingKey.id)).limit(1);
  const pair = found ?? (await makePair(db));
  const key = createPrivateKey(pair.privateKey);
  return {
    publicKey: pair.publicKey,
    sign(content) {
      const bytes = Buffer.from(content, 'utf8');
      return {
        sha256: createHash('sha256').update(bytes).digest('hex'),
        signature: sign(null, bytes, key).toString('base64'),
      };
    },
  };
}

async function makePair(db: Database) {
  const { publicKey, privateKey } = generateKeyPairSync('ed25519', {
    publicKeyEncoding: { type: 'spki', format: 'pem' },
    privateKeyEncoding: { type: 'pkcs8', format: 'pem' },
  });
  await db.insert(schema.signingKey).values({ publicKey, privateKey });
  return { publicKey, privateKey };
}

/** Keys of terminals are long random texts: one SHA-256 is enough to keep them hashed. */
export const hashOfKey = (key: string): string => createHash('sha256').update(key).digest('hex');
