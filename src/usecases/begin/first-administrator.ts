import {
  done,
  type FirstAdministratorRequest,
  failed,
  invalid,
  type Outcome,
} from '../../contracts/index.ts';
import { hashOfFirstCode } from '../../signing/index.ts';
import type { Accounts, BeginningStore, PeopleStore } from '../ports/index.ts';

/**
 * Makes the first administrator, for whoever holds the code and as long as there is none.
 * @param demo whether made-up people of the demo can sign in, and so count.
 */
export async function makeFirstAdministrator(
  ports: { beginning: BeginningStore; accounts: Accounts; people: PeopleStore },
  { code, name, email: typed, password }: FirstAdministratorRequest,
  demo: boolean,
): Promise<Outcome<{ email: string }>> {
  if (!(await ports.beginning.needsAdministrator(demo))) return failed({ kind: 'forbidden' });
  const email = typed.toLowerCase();
  const known = (await ports.people.all()).some((one) => one.email.toLowerCase() === email);
  if (known) return invalid(['email'], 'somebody has that address', 'another address');
  const hash = hashOfFirstCode(code);
  if (!(await ports.beginning.takeCode(hash)))
    return invalid(['code'], 'that is not the code', 'the code that the console showed at the last start');
  try {
    const id = await ports.accounts.create({ name, email, password });
    const said = { name, role: 'administrator', costs: true, stores: [] } as const;
    await ports.people.change(id, said, 'set-up');
  } catch (error) {
    // Nobody is let in by half: the code is good for another try.
    await ports.beginning.setCode(hash);
    throw error;
  }
  return done({ email });
}
