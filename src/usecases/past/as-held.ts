import { failed, type HeldThen, invalid, type Outcome, type Person } from '../../contracts/index.ts';
import type { Instant } from '../../core/calendar/index.ts';
import { readPlan } from '../../core/plan/index.ts';
import { compile } from '../../core/price-book/index.ts';
import type { PriceFileContent } from '../../core/price-file/index.ts';
import { bookOf, knownMoment } from '../check/index.ts';
import { seenBy } from '../people/index.ts';
import type { CurrentPlan, PlanBook, SendingStore } from '../ports/index.ts';
import { findTerminal, sentContent } from '../send/index.ts';

interface Ports {
  readonly book: PlanBook;
  readonly sending: SendingStore;
}

export interface AtTill {
  readonly terminal: string;
  readonly store: CurrentPlan['document']['stores'][number];
  readonly at: Instant;
}

/** A terminal that a person sees, at a moment that has been. @param text wall time or moment; absent: now. */
export async function atTill(
  ports: Ports,
  person: Person,
  terminal: string,
  text: string | undefined,
  now: Instant,
): Promise<Outcome<AtTill>> {
  const found = await findTerminal(ports.sending, person, terminal);
  if (!found.ok) return found;
  const { compiled } = await seenBy(ports.book, person);
  const store = compiled.stores.get(found.value.store);
  if (!store) return failed({ kind: 'not-found', what: `store ${found.value.store}` });
  const at = text === undefined ? now : knownMoment(text, compiled.clockOf(store));
  if (at === null) return invalid(['at'], `"${text}" is no moment`, 'a wall time such as 2027-03-01T09:00');
  if (at > now) return invalid(['at'], 'nothing has been rung then yet', 'a moment in the past');
  return { ok: true, value: { terminal, store, at } };
}

/** What a terminal held at a moment, as it said itself; the file is null where it had none, or it is not known. */
export async function heldThen(
  sending: SendingStore,
  { terminal, store, at }: AtTill,
): Promise<{ held: HeldThen | null; content: PriceFileContent | null }> {
  const said = await sending.saidBy(terminal, new Date(at));
  if (!said) return { held: null, content: null };
  const { holds: number, at: since, problem, clockSkew } = said;
  const told = { number, since, problem, clockSkew };
  if (number === null) return { held: { ...told, sent: null }, content: null };
  const [content, rollout] = await Promise.all([
    sentContent(sending, store.id, number),
    sending.rollout(number),
  ]);
  const sent = rollout && { at: rollout.at, by: rollout.by, goodUntil: content?.goodUntil ?? null };
  return { held: { ...told, sent }, content };
}

export const planOfFile = ({ plan, number }: PriceFileContent): CurrentPlan => ({
  version: number,
  document: plan,
  compiled: compile(readPlan(plan)),
});

/** What a use case stands on, with what a terminal held at a moment in place of the plan. */
export async function asHeld<P extends Ports>(
  ports: P,
  person: Person,
  { terminal, at }: { readonly terminal: string; readonly at: string | undefined },
  now: Instant,
): Promise<Outcome<P>> {
  const there = await atTill(ports, person, terminal, at, now);
  if (!there.ok) return there;
  const { content } = await heldThen(ports.sending, there.value);
  if (!content) return failed({ kind: 'not-found', what: `price file of ${terminal} at that moment` });
  return { ok: true, value: { ...ports, book: bookOf(planOfFile(content)) } };
}
