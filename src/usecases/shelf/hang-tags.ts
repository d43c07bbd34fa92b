import {
  done,
  failed,
  type HangTagsRequest,
  invalid,
  may,
  type Outcome,
  type Person,
} from '../../contracts/index.ts';
import type { Instant } from '../../core/calendar/index.ts';
import { dueTags } from '../../core/shelf-tags/index.ts';
import type { TagPorts } from './look-at-tags.ts';
import { shelfDay } from './shelf-day.ts';

/**
 * Notes that tags hang at the shelves of a store, or that those that come off are off; or that they do not after all.
 * All of them or none: a tag that says something else by now is another tag.
 */
export async function hangTags(
  ports: TagPorts,
  person: Person,
  { store: id, day, tags, hung }: HangTagsRequest,
  now: Instant,
): Promise<Outcome<{ tags: number }>> {
  if (!may(person, 'hang')) return failed({ kind: 'forbidden' });
  const found = await shelfDay(ports, person, { store: id, day }, now);
  if (!found.ok) return found;
  const { current, store, hungBy } = found.value;
  const place = { store: id, day };
  if (hung) {
    const due = dueTags(current.compiled, { store, day: found.value.day, hungBy });
    const other = tags.findIndex(({ sku, edition }) => due.get(sku) !== edition);
    if (other >= 0)
      return invalid(
        ['tags', other, 'edition'],
        `the tag of ${tags[other]!.sku} says something else by now`,
        'the tag as it is to hang; look at the list again',
      );
    await ports.shelf.hang(place, tags, person.id);
  } else
    await ports.shelf.takeBack(
      place,
      tags.map(({ sku }) => sku),
    );
  return done({ tags: tags.length });
}
