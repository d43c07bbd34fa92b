import {
  done,
  failed,
  invalid,
  type NewShopperRequest,
  type Outcome,
  type Person,
  type ShopperRequest,
} from '../../contracts/index.ts';
import type { Fault } from '../../core/plan/index.ts';
import type { CompiledPlan } from '../../core/price-book/index.ts';
import type { ShopperPorts } from '../known/index.ts';
import { maySeeShoppers } from '../known/index.ts';
import { seenBy } from '../people/index.ts';
import type { CodeSeal, FreshCard, KnownPerson, PlanBook } from '../ports/index.ts';
import { cardKept, drawCard } from './fresh-card.ts';

export type KeepPorts = ShopperPorts & { readonly book: PlanBook; readonly codeSeal: CodeSeal };

/** Numbers that are drawn where all before were somebody's. */
const DRAWS = 10;

/** Somebody new. @returns their number, and that of a card that was drawn for them: it is shown this once. */
export async function addShopper(
  ports: KeepPorts,
  person: Person,
  request: NewShopperRequest,
  now: Date,
): Promise<Outcome<{ id: string; card: string | null }>> {
  if (!maySeeShoppers(person)) return failed({ kind: 'forbidden' });
  const { compiled } = await seenBy(ports.book, person);
  const faults = groupFaults(request.groups, compiled);
  if (faults.length > 0) return failed({ kind: 'invalid', faults });
  const { card, ...details } = request;
  const id = await freeNumber(ports, compiled);
  if (card !== null)
    return (await ports.shoppers.add(id, details, [cardKept(ports.codeSeal, card)], person.id, now))
      ? done({ id, card: null })
      : cardTaken();
  const drawn = await drawFree(ports, compiled, request.groups, (kept) =>
    ports.shoppers.add(id, details, [kept], person.id, now),
  );
  return drawn === null ? noneLeft() : done({ id, card: drawn });
}

/** What is said of somebody from now on. */
export async function changeShopper(
  ports: KeepPorts,
  person: Person,
  id: string,
  request: ShopperRequest,
  now: Date,
): Promise<Outcome<{ ok: true }>> {
  const known = await theirPerson(ports, person, id);
  if (!known.ok) return known;
  const { compiled } = await seenBy(ports.book, person);
  const faults = groupFaults(request.groups, compiled);
  if (faults.length > 0) return failed({ kind: 'invalid', faults });
  await ports.shoppers.change(id, request, person.id, now);
  return done({ ok: true });
}

/** Gives somebody a card that they hold, or draws the number of one. */
export async function giveCard(
  ports: KeepPorts,
  person: Person,
  id: string,
  card: string | null,
): Promise<Outcome<{ card: string | null }>> {
  const known = await theirPerson(ports, person, id);
  if (!known.ok) return known;
  const { codeSeal, shoppers } = ports;
  if (card !== null)
    return (await shoppers.giveCard(id, cardKept(codeSeal, card), person.id))
      ? done({ card: null })
      : cardTaken();
  const { compiled } = await seenBy(ports.book, person);
  const drawn = await drawFree(ports, compiled, known.value.groups, (kept) =>
    shoppers.giveCard(id, kept, person.id),
  );
  return drawn === null ? noneLeft() : done({ card: drawn });
}

/** Draws cards until one is nobody's yet. @param give says whether it was. */
async function drawFree(
  { codeSeal }: KeepPorts,
  { plan }: CompiledPlan,
  groups: readonly string[],
  give: (card: FreshCard) => Promise<boolean>,
): Promise<string | null> {
  for (let draw = 0; draw < DRAWS; draw++) {
    const drawn = drawCard(codeSeal, plan.shopperGroups, groups);
    if (await give(cardKept(codeSeal, drawn))) return drawn;
  }
  return null;
}

/** Their cards are nobody's from now on: they were lost. */
export async function takeCards(
  ports: KeepPorts,
  person: Person,
  id: string,
): Promise<Outcome<{ ok: true }>> {
  const known = await theirPerson(ports, person, id);
  if (!known.ok) return known;
  await ports.shoppers.takeCards(id, person.id);
  return done({ ok: true });
}

/** Forgets somebody. Their number may stay in the plan, and says nothing of anybody then. */
export async function wipeShopper(
  ports: KeepPorts,
  person: Person,
  id: string,
): Promise<Outcome<{ ok: true }>> {
  const known = await theirPerson(ports, person, id);
  if (!known.ok) return known;
  await ports.shoppers.wipe(known.value, person.id);
  return done({ ok: true });
}

/** Somebody of whom something is kept beside the plan. */
export async function theirPerson(
  { shoppers }: ShopperPorts,
  person: Person,
  id: string,
): Promise<Outcome<KnownPerson>> {
  if (!maySeeShoppers(person)) return failed({ kind: 'forbidden' });
  const known = await shoppers.person(id);
  return known ? done(known) : failed({ kind: 'not-found', what: `shopper ${id}` });
}

/** Numbers that the plan does not know either. */
export async function freeNumbers(
  { shoppers }: ShopperPorts,
  compiled: CompiledPlan,
  count: number,
): Promise<string[]> {
  const free: string[] = [];
  while (free.length < count)
    free.push(
      ...(await shoppers.newNumbers(count - free.length)).filter((number) => !compiled.shoppers.has(number)),
    );
  return free;
}

export const freeNumber = async (ports: ShopperPorts, compiled: CompiledPlan): Promise<string> =>
  (await freeNumbers(ports, compiled, 1))[0]!;

const noneLeft = () =>
  invalid(['card'], 'no number is left for a card of this kind', 'cards with more digits');

const cardTaken = () => invalid(['card'], 'somebody has this card already', 'the number of another card');

function groupFaults(groups: readonly string[], { plan }: CompiledPlan): Fault[] {
  return groups.flatMap((group, i) =>
    plan.shopperGroups.some(({ id }) => id === group)
      ? []
      : [
          {
            path: ['groups', i],
            what: `no kind of shopper "${group}"`,
            wanted: 'the id of one in this plan',
          },
        ],
  );
}
