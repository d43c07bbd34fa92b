import { asc, desc } from 'drizzle-orm';
import { type Database, schema } from '../../db/index.ts';
import {
  certificateOf,
  codeSeal,
  type KeyPair,
  keyIdOf,
  newKeyPair,
  newTerminalKey,
  sha256Of,
  signedBy,
} from '../../signing/index.ts';
import type { Signer, SigningKeys } from '../../usecases/ports/index.ts';

/** The chain's keys, read when one is wanted. */
export const signingKeys = (db: Database): SigningKeys => ({
  newest: async () => signerWith((await newestPair(db)) ?? (await firstPair(db))),
  async certificates() {
    const rows = await db
      .select({ certificate: schema.signingKey.certificate })
      .from(schema.signingKey)
      .orderBy(asc(schema.signingKey.id));
    return rows.flatMap(({ certificate }) => certificate ?? []);
  },
  all: async () =>
    (await db.select().from(schema.signingKey).orderBy(desc(schema.signingKey.id))).map((row) => ({
      id: keyIdOf(row.publicKey),
      madeAt: row.createdAt.toISOString(),
      withdrawnAt: row.withdrawnAt?.toISOString() ?? null,
    })),
  rotate: (withdraw, person, now) =>
    db.transaction(async (tx) => {
      // One after another: each new key is vouched for by the one before it.
      const rows = await tx
        .select()
        .from(schema.signingKey)
        .orderBy(desc(schema.signingKey.id))
        .for('update');
      const [before] = rows;
      if (!before) return;
      const pair = newKeyPair();
      const withdraws = withdraw ? rows.map(({ publicKey }) => keyIdOf(publicKey)) : [];
      const certificate = certificateOf(pair, before, { madeAt: now.toISOString(), withdraws });
      if (withdraw) await tx.update(schema.signingKey).set({ withdrawnAt: now });
      await tx.insert(schema.signingKey).values({ ...pair, certificate, createdAt: now });
      const [chain] = await tx.select({ planVersion: schema.chain.planVersion }).from(schema.chain);
      await tx.insert(schema.auditEntry).values({
        ...{ person, action: withdraw ? 'replaced a lost key' : 'replaced the key' },
        ...{ subjectKind: 'signing key', subject: keyIdOf(pair.publicKey) },
        planVersion: chain!.planVersion,
      });
    }),
});

const newestPair = async (db: Database): Promise<KeyPair | undefined> =>
  (await db.select().from(schema.signingKey).orderBy(desc(schema.signingKey.id)).limit(1))[0];

async function firstPair(db: Database): Promise<KeyPair> {
  const pair = newKeyPair();
  await db.insert(schema.signingKey).values(pair);
  return pair;
}

function signerWith({ publicKey, privateKey }: KeyPair): Signer {
  return {
    publicKey,
    key: keyIdOf(publicKey),
    sign: (text) => ({ sha256: sha256Of(text), signature: signedBy(privateKey, text) }),
  };
}

export { codeSeal, newTerminalKey };
