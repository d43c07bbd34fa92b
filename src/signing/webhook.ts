import { createHmac, randomBytes } from 'node:crypto';

/** How secrets are told apart from other texts. */
const SIGN = 'whsec_';
const BYTES = 24;

/** With which the calls of one address are signed. */
export const newWebhookSecret = (): string => SIGN + randomBytes(BYTES).toString('base64');

/**
 * The heads by which who is called knows that a call is ours: a name, a moment, and an HMAC-SHA256 over both and the body.
 * @param seconds since 1970.
 */
export function signedCall(
  secret: string,
  id: string,
  seconds: number,
  body: string,
): Record<string, string> {
  const key = Buffer.from(secret.slice(SIGN.length), 'base64');
  const signature = createHmac('sha256', key).update(`${id}.${seconds}.${body}`).digest('base64');
  return { 'webhook-id': id, 'webhook-timestamp': String(seconds), 'webhook-signature': `v1,${signature}` };
}
