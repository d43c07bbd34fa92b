import { done, type Outcome, type Person, type ShelvesView, sees } from '../../contracts/index.ts';
import { dayNumber, dayOf, formatLocalDate, type Instant } from '../../core/calendar/index.ts';
import { dueTags } from '../../core/shelf-tags/index.ts';
import type { PlanBook } from '../ports/index.ts';
import { hungOf, type TagPorts } from './look-at-tags.ts';
import { shelfDay } from './shelf-day.ts';

/** Whoever runs more stores than these asks for how they stand; nobody else waits for it. */
const OWN_STORES = 3;

/** What is still to do at the shelves of the stores that somebody runs, today and tomorrow; nothing for others. */
export async function ownShelves(
  ports: TagPorts,
  person: Person,
  now: Instant,
): Promise<ShelvesView['stores']> {
  if (person.stores === null || person.stores.length > OWN_STORES) return [];
  const { compiled } = await ports.book.current();
  const found: ShelvesView['stores'][number][] = [];
  for (const id of person.stores) {
    const store = compiled.stores.get(id);
    if (!store) continue;
    const today = dayOf(compiled.clockOf(store).toWall(now));
    for (const day of [today, dayNumber(today + 1)]) {
      const stand = await standOf(ports, person, { store: id, day: formatLocalDate(day) }, now);
      if (stand.ok && stand.value.due > stand.value.done) found.push(stand.value);
    }
  }
  return found;
}

/** How far each store that a person sees is with its shelves for a day, the one with the most to do first. */
export async function howStoresStand(
  ports: TagPorts,
  person: Person,
  { day }: { readonly day: string },
  now: Instant,
): Promise<Outcome<ShelvesView>> {
  const stores: ShelvesView['stores'][number][] = [];
  for (const { id } of await storesOf(ports.book)) {
    if (!sees(person, id)) continue;
    const stand = await standOf(ports, person, { store: id, day }, now);
    if (!stand.ok) return stand;
    if (stand.value.due > 0) stores.push(stand.value);
  }
  return done({ stores: stores.sort((a, b) => b.due - b.done - (a.due - a.done)) });
}

const storesOf = async (book: PlanBook) => (await book.current()).compiled.plan.stores;

async function standOf(
  ports: TagPorts,
  person: Person,
  asked: { readonly store: string; readonly day: string },
  now: Instant,
): Promise<Outcome<ShelvesView['stores'][number]>> {
  const found = await shelfDay(ports, person, asked, now);
  if (!found.ok) return found;
  const { current, store, day, dayBefore, hungBy } = found.value;
  const due = dueTags(current.compiled, { store, day, hungBy });
  const list = due.size === 0 ? [] : await ports.shelf.hung(store.id, dayBefore, asked.day);
  const hung = hungOf(list);
  return done({
    ...{ id: store.id, name: store.name, day: asked.day, due: due.size },
    done: [...due].filter(([sku, edition]) => hung(sku, edition)).length,
    last:
      list
        .map(({ at }) => at)
        .sort()
        .at(-1) ?? null,
  });
}
