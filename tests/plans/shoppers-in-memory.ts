import type { KnownPerson, ShopperOrder, ShopperStore } from '../../src/usecases/ports/index.ts';

/** People with nothing behind them. */
export function shoppersInMemory(): ShopperStore & { readonly deeds: string[] } {
  const people = new Map<string, KnownPerson>();
  const cards = new Map<string, string>();
  const orders: ShopperOrder[] = [];
  const deeds: string[] = [];
  let number = 10_000;
  const hex = (bytes: Uint8Array) => Buffer.from(bytes).toString('hex');
  const put = (id: string, change: Partial<KnownPerson>) => people.set(id, { ...people.get(id)!, ...change });
  const give = (id: string, { hash, lastDigits }: { hash: Uint8Array; lastDigits: string }) => {
    if (cards.has(hex(hash))) return false;
    cards.set(hex(hash), id);
    put(id, { cards: [...people.get(id)!.cards, lastDigits] });
    return true;
  };
  return {
    deeds,
    named: async (text, most) =>
      [...people.values()]
        .filter(({ name }) => name?.toLowerCase().includes(text.toLowerCase()))
        .slice(0, most),
    people: async (ids) => ids.flatMap((id) => people.get(id) ?? []),
    person: async (id) => people.get(id) ?? null,
    ofEmail: async (email) =>
      [...people.values()].filter((one) => one.email?.toLowerCase() === email.toLowerCase()),
    byCard: async (hash) => people.get(cards.get(hex(hash)) ?? '') ?? null,
    async counts() {
      const byGroup = new Map<string, number>();
      for (const { groups } of people.values())
        for (const group of groups) byGroup.set(group, (byGroup.get(group) ?? 0) + 1);
      return { all: people.size, byGroup };
    },
    newNumbers: async (count) => Array.from({ length: count }, () => String(++number)),
    async bringIn(some, _, since) {
      if (some.some(({ card }) => card && cards.has(hex(card.hash)))) return false;
      for (const { id, details, card } of some) {
        const known = people.get(id) ?? { id, cards: [], orders: 0, spent: 0, since };
        people.set(id, { ...known, ...details });
        if (card) give(id, card);
      }
      deeds.push(`brought in ${some.length}`);
      return true;
    },
    holders: async (hashes) =>
      new Map(hashes.map(hex).flatMap((hash) => (cards.has(hash) ? [[hash, cards.get(hash)!]] : []))),
    async withEmails(emails) {
      const found = new Map<string, string[]>();
      for (const { id, email } of people.values()) {
        const small = email?.toLowerCase();
        if (small && emails.some((one) => one.toLowerCase() === small))
          found.set(small, [...(found.get(small) ?? []), id]);
      }
      return found;
    },
    all: async (after, most) =>
      [...people.values()]
        .filter(({ id }) => id > after)
        .sort((a, b) => (a.id < b.id ? -1 : 1))
        .slice(0, most),
    async takenOut() {
      deeds.push('taken out as a file');
    },
    async add(id, details, given, _, since) {
      if (given.some(({ hash }) => cards.has(hex(hash)))) return false;
      people.set(id, { id, ...details, cards: [], orders: 0, spent: 0, since });
      for (const card of given) give(id, card);
      deeds.push('added');
      return true;
    },
    async change(id, details) {
      put(id, details);
      deeds.push('changed');
    },
    giveCard: async (id, card) => give(id, card),
    async takeCards(id) {
      for (const [hash, person] of cards) if (person === id) cards.delete(hash);
      put(id, { cards: [] });
    },
    async closed(order) {
      const known = people.get(order.person);
      if (
        !known ||
        orders.some(({ terminal, basket }) => terminal === order.terminal && basket === order.basket)
      )
        return;
      orders.push(order);
      put(order.person, { orders: known.orders + 1, spent: known.spent + order.paid });
    },
    orders: async (id, most) => orders.filter(({ person }) => person === id).slice(0, most),
    async wipe({ id }) {
      people.delete(id);
      for (const [hash, person] of cards) if (person === id) cards.delete(hash);
      deeds.push('wiped');
    },
  };
}
