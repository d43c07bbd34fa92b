import { done, failed, type Outcome, type Person } from '../../contracts/index.ts';
import type { Cells } from '../../contracts/table/index.ts';
import { maySeeShoppers, type ShopperPorts } from '../known/index.ts';
import { seenBy } from '../people/index.ts';
import type { PlanBook } from '../ports/index.ts';

/** So many are read at once. */
const STRETCH = 5_000;

/** Everybody whom the chain knows, as rows of a file that comes back in as it went out. The trail says who took it. */
export async function peopleAsRows(
  ports: ShopperPorts & { readonly book: PlanBook },
  person: Person,
): Promise<Outcome<readonly Cells[]>> {
  if (!maySeeShoppers(person)) return failed({ kind: 'forbidden' });
  const { compiled } = await seenBy(ports.book, person);
  const names = new Map(compiled.plan.shopperGroups.map(({ id, name }) => [id, name]));
  await ports.shoppers.takenOut(person.id);
  const rows: Cells[] = [];
  for (let after = ''; ; ) {
    const some = await ports.shoppers.all(after, STRETCH);
    rows.push(
      ...some.map(({ id, name, email, groups }) => ({
        ...{ id, name: name ?? '', email: email ?? '' },
        groups: groups.flatMap((group) => names.get(group) ?? []).join('; '),
      })),
    );
    if (some.length < STRETCH) return done(rows);
    after = some.at(-1)!.id;
  }
}
