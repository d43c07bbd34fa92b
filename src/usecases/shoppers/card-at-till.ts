import type { CardVouched } from '../../contracts/index.ts';
import { groupOfCard, normalCard } from '../../core/cards/index.ts';
import type { CompiledPlan } from '../../core/price-book/index.ts';
import { countedAs } from '../../core/tag-price/index.ts';
import { knownAs, shopperSaid } from '../known/index.ts';
import type { CodeStore, KnownPerson, TerminalName } from '../ports/index.ts';
import type { CardHolder } from '../uses/index.ts';
import { brakeOf, TILL } from '../vouch/index.ts';
import { cardKept } from './fresh-card.ts';
import { freeNumber, type KeepPorts } from './keep-shopper.ts';

type Ports = KeepPorts & { readonly codes: CodeStore };

/**
 * Whose card is held out. A blank card of a kind whose numbers tell it makes whoever holds it somebody of that kind, of
 * whom nothing else is known. Cards can be guessed at like codes, and are braked like them.
 */
export async function cardAtTill(
  ports: Ports,
  terminal: TerminalName,
  card: string,
  now: Date,
): Promise<CardVouched> {
  const who = TILL + terminal.id;
  const wait = await ports.codes.countTries(who, 1, brakeOf(who), now);
  if (wait > 0) return { shopper: null, wait };
  const { compiled } = await ports.book.current();
  const person = await personOfCard(ports, compiled, card, now);
  if (!person) return { shopper: null, wait: 0 };
  await ports.codes.right(who, 1, brakeOf(who));
  return { shopper: shopperSaid(knownAs(compiled, person.id, person), compiled), wait: 0 };
}

/** Whose card a till took while it was cut off, and as whom limits count them; null: it is no card of ours. */
export async function holderOfCard(ports: KeepPorts, card: string, now: Date): Promise<CardHolder | null> {
  const { compiled } = await ports.book.current();
  const person = await personOfCard(ports, compiled, card, now);
  return person && { id: person.id, countsAs: countedAs(knownAs(compiled, person.id, person).shopper)! };
}

/** Who holds a card; a blank one is registered. Null: it is no card of ours. */
export async function personOfCard(
  ports: KeepPorts,
  compiled: CompiledPlan,
  card: string,
  now: Date,
): Promise<KnownPerson | null> {
  const { shoppers, codeSeal } = ports;
  const kept = cardKept(codeSeal, normalCard(card));
  const known = await shoppers.byCard(kept.hash);
  if (known) return known;
  const group = groupOfCard(compiled.plan.shopperGroups, card);
  if (group === null) return null;
  const nobody = { name: null, email: null, groups: [group] };
  await shoppers.add(await freeNumber(ports, compiled), nobody, [kept], null, now);
  // Another till may have been faster: then it is the one that it made.
  return shoppers.byCard(kept.hash);
}
