import {
  done,
  type Outcome,
  type Person,
  type PriceBeside,
  type PriceStory,
  type RungRequest,
  type RungView,
} from '../../contracts/index.ts';
import { formatMoment, type Instant, zoneClock } from '../../core/calendar/index.ts';
import { askPrice, bookOf, knownText } from '../check/index.ts';
import type { CurrentPlan, PlanBook, PlanPast, SendingStore, ShopperStore } from '../ports/index.ts';
import { atTill, heldThen, planOfFile } from './as-held.ts';

interface Ports {
  readonly book: PlanBook;
  readonly past: PlanPast;
  readonly sending: SendingStore;
  readonly shoppers: ShopperStore;
}

/**
 * What a till rang for an item at a moment, and why: by the price file that it held then, whatever the plan said; and
 * beside it what the plan said, as it was known then and as it is known now.
 */
export async function lookAtRung(
  ports: Ports,
  person: Person,
  { terminal, item, at: text, group }: RungRequest,
  now: Instant,
): Promise<Outcome<RungView>> {
  const there = await atTill(ports, person, terminal, text, now);
  if (!there.ok) return there;
  const { store, at } = there.value;
  const clock = zoneClock(store.timeZone);
  const { held, content } = await heldThen(ports.sending, there.value);
  const asked = {
    store: store.id,
    item,
    at: formatMoment(at, clock),
    ...(group === undefined ? {} : { group }),
  };
  const priceBy = async (plan: CurrentPlan | null): Promise<Outcome<PriceStory> | null> =>
    plan && askPrice({ ...ports, book: bookOf(plan) }, person, asked);
  const rung = await priceBy(content && planOfFile(content));
  const current = await priceBy(await ports.book.current());
  // What neither the file nor the plan knows was asked wrongly: the refusal says how.
  if (current && !current.ok && !rung?.ok) return current;
  return done({
    terminal,
    item: rung?.ok ? rung.value.item.name : current?.ok ? current.value.item.name : item,
    store: { id: store.id, name: store.name, timeZone: store.timeZone },
    at: formatMoment(at, clock),
    held,
    story: rung?.ok ? rung.value : null,
    known: besideOf(await priceBy(await ports.past.known(at))),
    now: besideOf(current),
    moment: knownText(at),
  });
}

const besideOf = (story: Outcome<PriceStory> | null): PriceBeside | null =>
  story?.ok
    ? {
        price: story.value.price,
        promotion: story.value.winner && { id: story.value.winner.id, name: story.value.winner.name },
      }
    : null;
