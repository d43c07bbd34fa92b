import { done, invalid, type Outcome, type PasswordRequest } from '../../contracts/index.ts';
import type { Accounts, PeopleStore } from '../ports/index.ts';

/** Sets a password by a link out of a letter. Who holds the link is who it was sent to. */
export async function setPassword(
  ports: { accounts: Accounts },
  { token, password }: PasswordRequest,
): Promise<Outcome<object>> {
  return (await ports.accounts.setPassword(token, password))
    ? done({})
    : invalid(['token'], 'the link is over, or was used', 'a new link: ask for one at the sign-in');
}

/** Sends a link for a new password to whoever has that address and is let in. Nobody is told whether anybody was. */
export async function sendForgotten(
  ports: { people: PeopleStore; accounts: Accounts },
  typed: string,
): Promise<void> {
  const email = typed.toLowerCase();
  const known = (await ports.people.all()).find((one) => one.email.toLowerCase() === email);
  if (known?.endedAt === null) await ports.accounts.sendLink(known.email);
}
