import {
  createHash,
  createPrivateKey,
  createPublicKey,
  generateKeyPairSync,
  sign,
  verify,
} from 'node:crypto';

/** A pair of Ed25519 keys (RFC 8032), each as PEM: SPKI and PKCS 8. */
export interface KeyPair {
  readonly publicKey: string;
  readonly privateKey: string;
}

export const newKeyPair = (): KeyPair =>
  generateKeyPairSync('ed25519', {
    publicKeyEncoding: { type: 'spki', format: 'pem' },
    privateKeyEncoding: { type: 'pkcs8', format: 'pem' },
  });

/** A key is named after itself: the first 16 hexadecimal digits of the SHA-256 of its SPKI form. */
export const keyIdOf = (publicKey: string): string =>
  createHash('sha256')
    .update(createPublicKey(publicKey).export({ type: 'spki', format: 'der' }))
    .digest('hex')
    .slice(0, 16);

export const sha256Of = (text: string): string => createHash('sha256').update(text, 'utf8').digest('hex');

/** @returns base64. */
export const signedBy = (privateKey: string, text: string): string =>
  sign(null, Buffer.from(text, 'utf8'), createPrivateKey(privateKey)).toString('base64');

/** Whether a signature is that of a key over a text; false also where any of it is no such thing. */
export function isSignedBy(publicKey: string, text: string, signature: string): boolean {
  try {
    return verify(
      null,
      Buffer.from(text, 'utf8'),
      createPublicKey(publicKey),
      Buffer.from(signature, 'base64'),
    );
  } catch {
    return false;
  }
}
