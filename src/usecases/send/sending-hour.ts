import {
  done,
  failed,
  invalid,
  may,
  type Outcome,
  type Person,
  type SendingHour,
  type SendingHourView,
  type WhyLeft,
} from '../../contracts/index.ts';
import {
  formatMoment,
  type Instant,
  isTimeZone,
  nextAt,
  parseTimeOfDay,
  zoneClock,
} from '../../core/calendar/index.ts';
import type { CompiledPlan } from '../../core/price-book/index.ts';
import { isOfCosts } from '../check/index.ts';
import { seenBy } from '../people/index.ts';
import type { PlanBook, SendingHourStore } from '../ports/index.ts';

type Ports = { book: PlanBook; hour: SendingHourStore };

/** At which hour what is approved goes out by itself, when next, and what came of it the last time. */
export async function lookAtSendingHour(
  ports: Ports,
  person: Person,
  now: Instant,
): Promise<Outcome<SendingHourView>> {
  if (!may(person, 'see')) return failed({ kind: 'forbidden' });
  const { compiled, document } = await seenBy(ports.book, person);
  const { hour, last } = await ports.hour.current();
  const names = new Map(document.promotions.map(({ id, name }) => [id, name]));
  const seen = (last?.left ?? []).filter(({ promotion }) => person.stores === null || names.has(promotion));
  return done({
    hour,
    next: hour && nextOf(hour, now),
    last: last && {
      ...last,
      left: seen.map(({ promotion: id, why }) => ({
        ...{ id, name: names.get(id) ?? id },
        why: person.costs || !tellsOfCosts(why) ? why : null,
      })),
    },
    timeZones: timeZonesOf(compiled),
  });
}

/** From now on what is approved goes out by itself at an hour, or is sent by somebody. */
export async function setSendingHour(
  ports: Ports,
  person: Person,
  { hour }: { readonly hour: SendingHour | null },
  now: Instant,
): Promise<Outcome<SendingHourView>> {
  if (!may(person, 'administer')) return failed({ kind: 'forbidden' });
  if (hour && !isTimeZone(hour.timeZone))
    return invalid(['hour', 'timeZone'], `no time zone "${hour.timeZone}"`, 'one such as Europe/Madrid');
  await ports.hour.set(hour, person.id, new Date(now));
  return lookAtSendingHour(ports, person, now);
}

function nextOf({ time, timeZone }: SendingHour, now: Instant): string {
  const clock = zoneClock(timeZone);
  return formatMoment(nextAt(parseTimeOfDay(time)!, clock, now), clock);
}

function timeZonesOf({ plan }: CompiledPlan): string[] {
  const counts = new Map<string, number>();
  for (const { timeZone } of plan.stores) counts.set(timeZone, (counts.get(timeZone) ?? 0) + 1);
  return [...counts].sort(([, a], [, b]) => b - a).map(([zone]) => zone);
}

const tellsOfCosts = (why: WhyLeft): boolean =>
  why === 'loses-money' || (why !== 'kept-basket' && isOfCosts(why));
