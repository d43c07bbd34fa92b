import { done, invalid, type Outcome, type PasswordRequest } from '../../contracts/index.ts';
import type { Accounts } from '../ports/index.ts';

/** Sets a password by a link out of a letter. Who holds the link is who it was sent to. */
export async function setPassword(
  ports: { accounts: Accounts },
  { token, password }: PasswordRequest,
): Promise<Outcome<object>> {
  return (await ports.accounts.setPassword(token, password))
    ? done({})
    : invalid(['token'], 'the link is over, or was used', 'a new link: ask for one at the sign-in');
}
