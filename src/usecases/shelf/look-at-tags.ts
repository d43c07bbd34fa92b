import {
  done,
  type Outcome,
  type Person,
  TAGS_SHOWN,
  type TagsRequest,
  type TagsView,
  type TagView,
  writingOf,
} from '../../contracts/index.ts';
import { dayOf, formatLocalDate, formatWallTime, type Instant } from '../../core/calendar/index.ts';
import {
  dueTags,
  NONE_HANGS,
  type OffShelf,
  openingOf,
  promotionsOn,
  type ShelfTag,
  tagsOfDay,
  tagText,
} from '../../core/shelf-tags/index.ts';
import type { HungTag, PlanBook, PlanPast, ShelfStore, WorkRulesStore } from '../ports/index.ts';
import { hasBarcode } from './has-barcode.ts';
import { shelfDay } from './shelf-day.ts';
import { saidOff, tagSpeech } from './tag-speech.ts';
import { type UnsentPorts, unsentTo } from './unsent-to.ts';

export interface TagPorts {
  readonly book: PlanBook;
  readonly past: PlanPast;
  readonly shelf: ShelfStore;
  readonly rules: WorkRulesStore;
}

/** The shelf tags of a store for a day, what of them hangs, and what must come off. */
export async function lookAtTags(
  ports: TagPorts & UnsentPorts,
  person: Person,
  asked: TagsRequest,
  now: Instant,
): Promise<Outcome<Omit<TagsView, 'papers'>>> {
  const found = await shelfDay(ports, person, asked, now);
  if (!found.ok) return found;
  const { current, store, day, hungBy } = found.value;
  const { compiled } = current;
  const which = asked.all
    ? 'all'
    : asked.promotion === undefined
      ? undefined
      : { promotion: asked.promotion };
  const due = dueTags(compiled, { store, day, hungBy });
  const { tags, off } = tagsOfDay(compiled, { store, day, which, hungBy });
  const hung = hungOf(await ports.shelf.hung(store.id, found.value.dayBefore, asked.day));
  const { tagsTellLowest } = await ports.rules.current();
  const views = viewsOf(tagSpeech(current, tagsTellLowest, writingOf(person)), due, hung);
  const sought = tags.filter(({ name, sku, gtin }) => isSought(asked.find, [name, sku, gtin ?? '']));
  const clock = compiled.clockOf(store);
  return done({
    store: { id: store.id, name: store.name },
    ...{ day: asked.day, today: formatLocalDate(dayOf(clock.toWall(now))) },
    opens: formatWallTime(clock.toWall(openingOf(compiled, store, day))).slice(11, 16),
    currency: compiled.plan.currency.code,
    due: due.size,
    done: [...due].filter(([sku, edition]) => hung(sku, edition) !== null).length,
    meant: sought.length,
    tags: sought.slice(0, asked.most === undefined ? TAGS_SHOWN : Number(asked.most)).map(views.tag),
    off: off.filter(({ name, sku, gtin }) => isSought(asked.find, [name, sku, gtin ?? ''])).map(views.off),
    withoutBarcode: sought.filter(({ gtin }) => !hasBarcode(gtin)).length,
    promotions: views.promotions(
      which === undefined ? tags : tagsOfDay(compiled, { store, day, hungBy }).tags,
    ),
    unsent: await unsentTo(ports, store.id, now),
  });
}

const isSought = (find: string | undefined, texts: readonly string[]): boolean => {
  const words = (find ?? '').trim().toLowerCase().split(/\s+/);
  const all = texts.join(' ').toLowerCase();
  return words.every((word) => all.includes(word));
};

type Hung = (sku: string, edition: string) => HungTag | null;

/** What was said to hang, where it is what is to hang. */
export function hungOf(list: readonly HungTag[]): Hung {
  const bySku = new Map(list.map((one) => [one.sku, one]));
  return (sku, edition) => {
    const said = bySku.get(sku);
    return said?.edition === edition ? said : null;
  };
}

/** What a tag that comes off is known by: the tag in its place, or none. */
const editionOff = (sku: string, due: ReadonlyMap<string, string>): string => due.get(sku) ?? NONE_HANGS;

function viewsOf(speech: ReturnType<typeof tagSpeech>, due: ReadonlyMap<string, string>, hung: Hung) {
  const hungView = (sku: string, edition: string) => {
    const said = hung(sku, edition);
    return said && { by: said.by, at: said.at };
  };
  return {
    tag(tag: ShelfTag): TagView {
      const { price, was, perUnit, lowest, until, deals, forSome } = tagText(tag, speech);
      const { sku, name, shelf, gtin, edition, promotion } = tag;
      return {
        ...{ sku, name, shelf, gtin, edition, hung: hungView(sku, edition) },
        ...{ price: price.whole + price.decimals, was, perUnit, lowest, until, forSome },
        deals: deals.map((deal) =>
          [deal.who === null ? deal.words : `${deal.who}: ${deal.words}`, deal.until]
            .filter((words) => words !== null)
            .join(', '),
        ),
        promotion: promotion === null ? null : { id: promotion, name: speech.nameOf(promotion) },
        due: due.has(sku),
      };
    },
    off(one: OffShelf) {
      const { sku, name, shelf, gtin, ended, gone } = one;
      const edition = editionOff(sku, due);
      return {
        ...{ sku, name, shelf, gtin, edition, hung: hungView(sku, edition), gone },
        ...{ said: saidOff(one, speech), ended: ended.map(speech.nameOf) },
      };
    },
    promotions(changed: readonly ShelfTag[]) {
      const tags = new Map<string, number>();
      for (const id of changed.flatMap(promotionsOn)) tags.set(id, (tags.get(id) ?? 0) + 1);
      return [...tags]
        .map(([id, count]) => ({ id, name: speech.nameOf(id), tags: count }))
        .sort((a, b) => b.tags - a.tags || a.name.localeCompare(b.name, 'en'));
    },
  };
}
