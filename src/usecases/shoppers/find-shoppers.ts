import {
  done,
  type FoundShoppers,
  failed,
  type Outcome,
  type Person,
  type ShopperCounts,
} from '../../contracts/index.ts';
import { normalCard } from '../../core/cards/index.ts';
import { maySeeShoppers, type ShopperPorts } from '../known/index.ts';
import { seenBy } from '../people/index.ts';
import type { CodeSeal, KnownPerson, PlanBook } from '../ports/index.ts';
import { accountsIn, foundShopper } from './found-shopper.ts';

type Ports = ShopperPorts & { readonly book: PlanBook; readonly codeSeal: CodeSeal };

/** So many are told; who looks for one of more says more of the name. */
const MOST = 50;

/** People and accounts by name, number or card. Whoever plans may look them up, and nobody else. */
export async function findShoppers(
  ports: Ports,
  person: Person,
  text: string,
): Promise<Outcome<FoundShoppers>> {
  if (!maySeeShoppers(person)) return failed({ kind: 'forbidden' });
  const { compiled } = await seenBy(ports.book, person);
  const { shoppers } = ports;
  const card = normalCard(text);
  const [byNumber, byCard, byName] = await Promise.all([
    shoppers.person(text),
    card.length >= 6 ? shoppers.byCard(ports.codeSeal.hashOfCard(card)) : null,
    shoppers.named(text, MOST + 1),
  ]);
  const people = new Map(
    [byNumber, byCard, ...byName].filter((one) => one !== null).map((one) => [one.id, one] as const),
  );
  const wanted = text.toLowerCase();
  const inPlan = compiled.plan.shoppers.filter(
    ({ id, name }) => !people.has(id) && (id === text || name?.toLowerCase().includes(wanted)),
  );
  const all: (readonly [string, KnownPerson | null])[] = [
    ...inPlan.map(({ id }) => [id, null] as const),
    ...people,
  ];
  const found = all.slice(0, MOST).map(([id, known]) => foundShopper(compiled, id, known));
  return done({ found, more: all.length > MOST });
}

/** How many people the chain knows of each kind, and its accounts. */
export async function countShoppers(ports: Ports, person: Person): Promise<Outcome<ShopperCounts>> {
  if (!maySeeShoppers(person)) return failed({ kind: 'forbidden' });
  const { compiled } = await seenBy(ports.book, person);
  const { all, byGroup } = await ports.shoppers.counts();
  /** Of whom the plan says it: those of an account. */
  const ofPlan = (group: string) =>
    compiled.plan.shoppers.filter(({ name, groups }) => name === null && groups.includes(group)).length;
  return done({
    people: all,
    accounts: accountsIn(compiled)
      .map(({ id }) => foundShopper(compiled, id, null))
      .sort((a, b) => (a.name ?? '').localeCompare(b.name ?? '')),
    kinds: compiled.plan.shopperGroups.map(({ id, name, joining }) => ({
      ...{ id, name, joining: joining === true },
      people: (byGroup.get(id) ?? 0) + ofPlan(id),
    })),
  });
}
