import type { Accounts, PeopleStore, StoredPerson, StoredSession } from '../../src/usecases/ports/index.ts';

export const stored = (id: string, more: Partial<StoredPerson> = {}): StoredPerson => ({
  ...{
    id,
    name: id,
    email: `${id}@quillmere.example`,
    role: 'planner',
    costs: true,
    stores: [],
    goods: null,
    secondStep: false,
    endedAt: null,
  },
  ...more,
});

/** The people of a chain with one store, and the links that they were sent. */
export function peopleInMemory(...first: StoredPerson[]) {
  const all = new Map(first.map((one) => [one.id, one]));
  const links: string[] = [];
  const sessions = new Map<string, StoredSession[]>();
  const people: PeopleStore = {
    all: async () => [...all.values()],
    stores: async () => [{ id: 'east', name: 'East' }],
    departments: async () => [{ id: 'drinks', name: 'Drinks', depth: 0 }],
    change: async (id, said) =>
      void all.set(id, { ...(all.get(id) ?? stored(id)), ...said, goods: said.goods ?? null }),
    end: async (id, ended) => void all.set(id, { ...all.get(id)!, endedAt: ended?.toISOString() ?? null }),
    sessions: async (id) => sessions.get(id) ?? [],
    async endSessions(id, ended) {
      const own = sessions.get(id) ?? [];
      const left = own.filter((one) => !ended.includes(one.id));
      sessions.set(id, left);
      return own.length - left.length;
    },
    endSecondStep: async (id) => void all.set(id, { ...all.get(id)!, secondStep: false }),
    signOut: async (id) => void sessions.delete(id),
  };
  const accounts: Accounts = {
    async create({ name, email }) {
      const id = `new-${all.size}`;
      all.set(id, stored(id, { name, email, role: 'viewer' }));
      return id;
    },
    sendLink: async (email) => void links.push(email),
    setPassword: async (token) => token === 'good',
  };
  return { all, links, sessions, ports: { people, accounts } };
}
