import {
  done,
  failed,
  type HeldThen,
  invalid,
  type Outcome,
  type Person,
  type PriceBeside,
  type PriceStory,
  type RungRequest,
  type RungView,
  sees,
} from '../../contracts/index.ts';
import { formatMoment, type Instant } from '../../core/calendar/index.ts';
import { readPlan } from '../../core/plan/index.ts';
import { compile } from '../../core/price-book/index.ts';
import type { PriceFileContent } from '../../core/price-file/index.ts';
import { askPrice, bookOf, knownMoment, knownText } from '../check/index.ts';
import { seenBy } from '../people/index.ts';
import type { CurrentPlan, PlanBook, PlanPast, SendingStore } from '../ports/index.ts';
import { sentContent } from '../send/index.ts';

interface Ports {
  readonly book: PlanBook;
  readonly past: PlanPast;
  readonly sending: SendingStore;
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
  const status = (await ports.sending.terminals()).find((one) => one.terminal === terminal);
  if (!status || !sees(person, status.store))
    return failed({ kind: 'not-found', what: `terminal ${terminal} for you` });
  const { compiled } = await seenBy(ports.book, person);
  const store = compiled.stores.get(status.store);
  if (!store) return failed({ kind: 'not-found', what: `store ${status.store}` });
  const clock = compiled.clockOf(store);
  const at = text === undefined ? now : knownMoment(text, clock);
  if (at === null) return invalid(['at'], `"${text}" is no moment`, 'a wall time such as 2027-03-01T09:00');
  if (at > now) return invalid(['at'], 'nothing has been rung then yet', 'a moment in the past');
  const { held, content } = await heldThen(ports.sending, terminal, status.store, at);
  const asked = {
    store: store.id,
    item,
    at: formatMoment(at, clock),
    ...(group === undefined ? {} : { group }),
  };
  const priceBy = async (plan: CurrentPlan | null): Promise<Outcome<PriceStory> | null> =>
    plan && askPrice({ book: bookOf(plan) }, person, asked);
  const rung = await priceBy(content && planOf(content));
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

async function heldThen(
  sending: SendingStore,
  terminal: string,
  store: string,
  at: Instant,
): Promise<{ held: HeldThen | null; content: PriceFileContent | null }> {
  const said = await sending.saidBy(terminal, new Date(at));
  if (!said) return { held: null, content: null };
  const { holds: number, at: since, problem, clockSkew } = said;
  const told = { number, since, problem, clockSkew };
  if (number === null) return { held: { ...told, sent: null }, content: null };
  const [content, rollout] = await Promise.all([
    sentContent(sending, store, number),
    sending.rollout(number),
  ]);
  const sent = rollout && { at: rollout.at, by: rollout.by, goodUntil: content?.goodUntil ?? null };
  return { held: { ...told, sent }, content };
}

const planOf = ({ plan, number }: PriceFileContent): CurrentPlan => ({
  version: number,
  document: plan,
  compiled: compile(readPlan(plan)),
});

const besideOf = (story: Outcome<PriceStory> | null): PriceBeside | null =>
  story?.ok
    ? {
        price: story.value.price,
        promotion: story.value.winner && { id: story.value.winner.id, name: story.value.winner.name },
      }
    : null;
