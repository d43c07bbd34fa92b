import type { KeyCertificate, KeyStatement } from '../contracts/index.ts';
import { canonicalText } from './canonical-text.ts';
import { isSignedBy, type KeyPair, keyIdOf, signedBy } from './keys.ts';

/** The keys that are trusted: public keys (PEM) by their ids, and the ids of those that are trusted no longer. */
export interface Trust {
  readonly keys: ReadonlyMap<string, string>;
  readonly withdrawn: ReadonlySet<string>;
}

export const trustIn = (publicKey: string): Trust => ({
  keys: new Map([[keyIdOf(publicKey), publicKey]]),
  withdrawn: new Set(),
});

/** Vouches for a new key by one before it. */
export function certificateOf(
  pair: KeyPair,
  by: KeyPair,
  { madeAt, withdraws }: Pick<KeyStatement, 'madeAt' | 'withdraws'>,
): KeyCertificate {
  const { publicKey } = pair;
  const said: KeyStatement = {
    ...{ format: 'bell-tag-key', version: 1, id: keyIdOf(publicKey), publicKey },
    ...{ madeAt, withdraws },
  };
  const statement = canonicalText(said);
  return { statement, key: keyIdOf(by.publicKey), signature: signedBy(by.privateKey, statement) };
}

/**
 * What is trusted after some certificates, from the first to the last. One that no trusted key has signed, or that says
 * something else than it should, changes nothing; a key that was withdrawn never comes back.
 */
export function learn(trust: Trust, certificates: readonly KeyCertificate[]): Trust {
  const keys = new Map(trust.keys);
  const withdrawn = new Set(trust.withdrawn);
  for (const { statement, key, signature } of certificates) {
    const known = keys.get(key);
    const said = known && isSignedBy(known, statement, signature) ? readStatement(statement) : null;
    if (!said || withdrawn.has(said.id)) continue;
    keys.set(said.id, said.publicKey);
    for (const id of said.withdraws) {
      if (id === said.id) continue;
      keys.delete(id);
      withdrawn.add(id);
    }
  }
  return { keys, withdrawn };
}

/** Whether a trusted key has signed a text. Files from before keys had names are tried with each. */
export function isTrusted(
  { keys }: Trust,
  text: string,
  { key, signature }: { readonly key?: string; readonly signature: string },
): boolean {
  const asked = key === undefined ? [...keys.values()] : [keys.get(key)].filter((one) => one !== undefined);
  return asked.some((publicKey) => isSignedBy(publicKey, text, signature));
}

function readStatement(text: string): KeyStatement | null {
  try {
    const said = JSON.parse(text) as KeyStatement;
    const sound =
      said.format === 'bell-tag-key' &&
      said.version === 1 &&
      keyIdOf(said.publicKey) === said.id &&
      Array.isArray(said.withdraws) &&
      said.withdraws.every((id) => typeof id === 'string');
    return sound ? said : null;
  } catch {
    return null;
  }
}
