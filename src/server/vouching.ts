import type { NewestVouched } from '../contracts/index.ts';
import { newestText } from '../signing/index.ts';
import type { Signer, SigningKeys } from '../usecases/ports/index.ts';
import type { TerminalDesk } from './terminal-desk.ts';

/** So long a key goes on signing after another was made. */
const GOOD_FOR = 5_000;

/** Vouches for the newest price file of a store and for the time: what somebody on the way cannot say in its place. */
export type Vouching = (asked: { readonly store: string; readonly nonce: string }) => Promise<NewestVouched>;

export function vouching(
  { newestNumber }: Pick<TerminalDesk, 'newestNumber'>,
  keys: Pick<SigningKeys, 'newest'>,
  clock: () => number = Date.now,
): Vouching {
  let signer: { readonly found: Promise<Signer>; readonly at: number } | null = null;
  const signerNow = (): Promise<Signer> => {
    if (signer && clock() - signer.at <= GOOD_FOR) return signer.found;
    const found = keys.newest();
    signer = { found, at: clock() };
    found.catch(() => {
      signer = null;
    });
    return found;
  };
  return async (asked) => {
    const [number, { key, sign }] = await Promise.all([newestNumber(asked.store), signerNow()]);
    const statement = newestText(asked, number, clock());
    return { statement, key, signature: sign(statement).signature };
  };
}
