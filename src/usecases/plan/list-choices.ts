import type { Choices, Person } from '../../contracts/index.ts';
import { isBasketReward } from '../../core/offer/index.ts';
import type { PlanDocument } from '../../core/plan/index.ts';
import { maySeeShoppers } from '../known/index.ts';
import { seenBy } from '../people/index.ts';
import type { ChainWordsStore, PlanBook } from '../ports/index.ts';
import { knownWords } from './chain-words.ts';

const ALWAYS_THERE = ['till', 'web', 'app'];

/** What a promotion can be made of in this chain. */
export async function listChoices(
  ports: { book: PlanBook; words: ChainWordsStore },
  person: Person,
): Promise<Choices> {
  const { document } = await seenBy(ports.book, person);
  const sorted = (values: Iterable<string>) => [...new Set(values)].sort((a, b) => a.localeCompare(b));
  const kept = await ports.words.current();
  return {
    format: document.format,
    version: document.version,
    currency: document.currency,
    marginFloor: person.costs ? (document.policy?.marginFloor ?? null) : null,
    nodes: document.nodes,
    itemSets: document.itemSets ?? [],
    zones: document.zones ?? [],
    stores: document.stores,
    storeGroups: document.storeGroups ?? [],
    shopperGroups: document.shopperGroups ?? [],
    shoppers: (document.shoppers ?? []).map(({ id, name }) => ({
      id,
      ...(name === undefined ? {} : { name }),
    })),
    findsShoppers: maySeeShoppers(person),
    priceLists: document.priceLists ?? [],
    brands: sorted(document.items.flatMap(({ brand }) => brand ?? [])),
    itemTags: sorted(document.items.flatMap(({ tags }) => tags ?? [])),
    attributes: attributesOf(document, sorted),
    terminalIds: (document.terminals ?? []).map(({ id }) => id),
    terminalTags: sorted((document.terminals ?? []).flatMap(({ tags }) => tags ?? [])),
    // Regions of the chain are none of a store's people.
    words: knownWords(person.stores === null ? kept : { ...kept, regions: [] }, document),
    rewards: document.promotions
      .filter(({ offer }) => isBasketReward(offer))
      .map(({ id, name }) => ({ id, name }))
      .sort((a, b) => a.name.localeCompare(b.name)),
    channels: sorted([...ALWAYS_THERE, ...document.promotions.flatMap(({ channels }) => channels ?? [])]),
  };
}

function attributesOf(
  { items }: PlanDocument,
  sorted: (values: Iterable<string>) => string[],
): Choices['attributes'] {
  const values = new Map<string, Set<string>>();
  for (const { attributes = {} } of items)
    for (const [name, value] of Object.entries(attributes))
      values.set(name, (values.get(name) ?? new Set()).add(value));
  return sorted(values.keys()).map((name) => ({ name, values: sorted(values.get(name)!) }));
}
