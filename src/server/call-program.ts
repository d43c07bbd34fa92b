import { signedCall } from '../signing/index.ts';
import type { Caller } from '../usecases/index.ts';

/** Milliseconds: who takes a call says so at once, and does the work later. */
const WITHIN = 10_000;

/** Calls an address of another program, signed. It is followed nowhere else, and what it answers is not read. */
export const callProgram: Caller = async ({ id, url, secret, body }) => {
  try {
    const reply = await fetch(url, {
      method: 'POST',
      body,
      redirect: 'manual',
      signal: AbortSignal.timeout(WITHIN),
      headers: {
        'content-type': 'application/json',
        'user-agent': 'Bell-Tag',
        ...signedCall(secret, id, Math.floor(Date.now() / 1000), body),
      },
    });
    await reply.body?.cancel();
    return { taken: reply.ok, said: String(reply.status) };
  } catch (error) {
    const { name, cause } = error as Error & { cause?: { code?: string } };
    return { taken: false, said: name === 'TimeoutError' ? 'no answer' : (cause?.code ?? 'not reached') };
  }
};
