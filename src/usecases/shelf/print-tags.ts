import {
  done,
  invalid,
  MOST_PRINTED,
  type Outcome,
  type Person,
  type PrintTagsRequest,
} from '../../contracts/index.ts';
import type { Instant } from '../../core/calendar/index.ts';
import {
  type OffShelf,
  type TagsAsked,
  type TagText,
  tagsOfDay,
  tagText,
} from '../../core/shelf-tags/index.ts';
import { hungOf, type TagPorts } from './look-at-tags.ts';
import { type ShelfDay, shelfDay } from './shelf-day.ts';
import { saidOff, tagSpeech } from './tag-speech.ts';

/** What goes on paper: tags, or a list of what must come off the shelf. */
export interface Printed {
  readonly store: { readonly id: string; readonly name: string };
  readonly tags: readonly TagText[];
  readonly off: readonly OffLine[] | null;
}

/** A line of the list of what must come off. */
export interface OffLine {
  readonly shelf: string | null;
  readonly sku: string;
  readonly name: string;
  /** What the tag says: "9.00, was 10.00". */
  readonly said: string;
  readonly why: string;
}

/** The tags that are asked for, in the words that stand on them. */
export async function printTags(
  ports: TagPorts,
  person: Person,
  asked: PrintTagsRequest,
  now: Instant,
): Promise<Outcome<Printed>> {
  const found = await shelfDay(ports, person, asked, now);
  if (!found.ok) return found;
  const { current, store, day, hungBy } = found.value;
  const place = { id: store.id, name: store.name };
  const { tags, off } = tagsOfDay(current.compiled, { store, day, hungBy, which: whichOf(asked.which) });
  if (asked.which === 'off') return done({ store: place, tags: [], off: off.map(offLines(found.value)) });
  const hung = hungOf(await ports.shelf.hung(store.id, found.value.dayBefore, asked.day));
  const meant = asked.which === 'left' ? tags.filter(({ sku, edition }) => !hung(sku, edition)) : tags;
  if (meant.length > MOST_PRINTED)
    return invalid(
      ['which'],
      `${meant.length} tags are too many for one file`,
      `at most ${MOST_PRINTED}, such as those of a promotion or of some items`,
    );
  const speech = tagSpeech(current, (await ports.rules.current()).tagsTellLowest);
  return done({ store: place, tags: meant.map((tag) => tagText(tag, speech)), off: null });
}

function whichOf(which: PrintTagsRequest['which']): TagsAsked['which'] {
  if (which === 'all') return 'all';
  if (typeof which === 'string') return undefined;
  return 'items' in which ? { items: new Set(which.items) } : which;
}

function offLines({ current }: ShelfDay): (off: OffShelf) => OffLine {
  const speech = tagSpeech(current, false);
  return (one) => ({
    ...{ shelf: one.shelf, sku: one.sku, name: one.name, said: saidOff(one, speech) },
    why: one.gone ? 'not sold any more' : `over: ${one.ended.map(speech.nameOf).join(', ')}`,
  });
}
