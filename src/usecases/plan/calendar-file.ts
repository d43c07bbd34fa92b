import ical, { ICalEventStatus } from 'ical-generator';
import { type Person, writingOf } from '../../contracts/index.ts';
import { firstStart, parseWallTime, WEEKDAYS } from '../../core/calendar/index.ts';
import { type PromotionDocument, readSchedule, type WindowDocument } from '../../core/plan/index.ts';
import { storesOf } from '../../core/selection/index.ts';
import { namesOf, promotionText, storeWords } from '../../core/sentence/index.ts';
import { seenOf, seenPromotion } from '../people/index.ts';
import type { PlanBook, PromotionStore } from '../ports/index.ts';

/** A far end for a search of the first span: no calendar reaches further. */
const FAR = 10 * 366 * 86_400_000;
const MINUTE = 60_000;
const DAY = 86_400_000;

/**
 * The promotions as an iCalendar file (RFC 5545). Their times are wall-clock times at each store, so they are
 * floating ones there: every reader's calendar shows them at the same hour.
 */
export async function calendarFile(
  ports: { book: PlanBook; promotions: PromotionStore },
  person: Person,
  among: readonly string[] | null,
): Promise<string> {
  const whole = await ports.book.current();
  const { document, compiled } = seenOf(whole, person);
  const names = namesOf(document, writingOf(person));
  const calendar = ical({
    name: `${document.name ?? 'Bell Tag'}: promotions`,
    prodId: '//Bell Tag//Promotions//EN',
  });
  for (const { promotion: kept, updatedAt, revision } of await ports.promotions.all()) {
    const promotion = seenPromotion(kept, whole.compiled, person);
    if (!promotion) continue;
    const stores = storesOf(promotion.where ?? { all: true }, compiled.plan);
    const wanted = person.stores ?? among;
    if (promotion.status === 'archived' || (wanted && !wanted.some((id) => stores.has(id)))) continue;
    eventsOf(promotion).forEach((event, i) => {
      calendar.createEvent({
        id: `${promotion.id}${i === 0 ? '' : `-${i}`}@belltag`,
        sequence: revision,
        stamp: new Date(updatedAt),
        floating: true,
        start: new Date(event.from),
        ...(event.to === null ? {} : { end: new Date(event.to) }),
        ...(event.rule ? { repeating: event.rule } : {}),
        summary: promotion.name,
        description: promotionText(promotion, document.currency, names),
        location: storeWords(promotion.where ?? { all: true }, names),
        status: promotion.status === 'approved' ? ICalEventStatus.CONFIRMED : ICalEventStatus.TENTATIVE,
        categories: [{ name: promotion.status }],
      });
    });
  }
  return calendar.toString();
}

interface Event {
  /** Wall times. */
  readonly from: number;
  readonly to: number | null;
  /** RRULE and EXDATE lines. */
  readonly rule: string | null;
}

const stamp = (wall: number): string => new Date(wall).toISOString().replace(/[-:]|\.\d{3}Z$/g, '');

function eventsOf(promotion: PromotionDocument): Event[] {
  const { when } = promotion;
  const schedule = readSchedule(when);
  if (when.repeat && schedule.repeat) return repeatedEvent(promotion, schedule);
  if (when.windows) return when.windows.flatMap((window) => windowEvent(window, promotion));
  return [{ from: schedule.from, to: schedule.to, rule: null }];
}

/** The first span that comes, and the rule for those after it. */
function repeatedEvent(
  { when }: PromotionDocument,
  { repeat, to }: ReturnType<typeof readSchedule>,
): Event[] {
  const first = firstStart(repeat!.rule, FAR);
  if (first === undefined || (to !== null && first >= to)) return [];
  const length = repeat!.length.days * DAY + repeat!.length.elapsed;
  const bounded = /UNTIL=|COUNT=/i.test(when.repeat!.rrule);
  const until = to === null || bounded ? '' : `;UNTIL=${stamp(to - MINUTE)}`;
  const rule = `RRULE:${when.repeat!.rrule.replace(/^RRULE:/, '')}${until}`;
  return [{ from: first, to: first + length, rule: rule + exceptLines(when.except, first) }];
}

/** Hours of some weekdays: a weekly event from the first such day on. */
function windowEvent(window: WindowDocument, { when }: PromotionDocument): Event[] {
  const from = parseWallTime(when.from)!;
  const days = window.days ?? [...WEEKDAYS];
  const midnight = Math.floor(from / DAY) * DAY;
  const [start, end] = [minutesOf(window.from), minutesOf(window.to)];
  const first = Array.from({ length: 8 }, (_, i) => midnight + i * DAY + start).find(
    (at) => at >= from && days.includes(WEEKDAYS[(Math.floor(at / DAY) + 3) % 7]!),
  );
  const to = when.to === undefined ? null : parseWallTime(when.to)!;
  if (first === undefined || (to !== null && first >= to)) return [];
  const until = to === null ? '' : `;UNTIL=${stamp(to - MINUTE)}`;
  const codes = days.map((day) => day.slice(0, 2).toUpperCase()).join(',');
  const length = (end > start ? end : end + DAY) - start;
  const rule = `RRULE:FREQ=WEEKLY;BYDAY=${codes}${until}`;
  return [{ from: first, to: first + length, rule: rule + exceptLines(when.except, first) }];
}

function exceptLines(except: readonly string[] | undefined, first: number): string {
  const time = stamp(first).slice(8);
  return (except ?? []).map((date) => `\nEXDATE:${date.replaceAll('-', '')}${time}`).join('');
}

const minutesOf = (time: string): number => {
  const [hours, minutes] = time.split(':').map(Number) as [number, number];
  return (hours * 60 + minutes) * MINUTE;
};
