import { readerLanguage } from '../contracts/index.ts';
import { type Database, keyOwner } from '../db/index.ts';
import { saidApiKey } from '../signing/index.ts';
import type { Environment } from './machine/environment.ts';
import { personOf, type SignedIn, type SignIn } from './sign-in.ts';

/** Somebody who asks: signed in, or another program by its key, which has no session. */
export type Asks =
  | SignedIn
  | { readonly person: SignedIn['person']; readonly session: null; readonly owesSecondStep: null };

/**
 * Who is behind a request; null: nobody that we know. What says a key is looked at as a program alone, whatever cookies
 * it brings.
 */
export async function whoAsks(
  signIn: SignIn,
  db: Database,
  headers: Headers,
  environment: Pick<Environment, 'demo'>,
): Promise<Asks | null> {
  const authorization = headers.get('authorization');
  // Of what a proxy of the house adds for itself nothing is known here.
  if (!/^bearer /i.test(authorization ?? '')) return personOf(signIn, db, headers, environment);
  const hash = saidApiKey(authorization);
  const owner = hash === null ? null : await keyOwner(db, hash, new Date());
  const language = readerLanguage(headers.get('accept-language'));
  return owner && { person: { ...owner, language }, session: null, owesSecondStep: null };
}
