import {
  done,
  failed,
  invalid,
  type ManyAction,
  type ManyEffect,
  may,
  type Outcome,
  type Permission,
  type Person,
  sees,
} from '../../contracts/index.ts';
import { formatMoment, type Instant, MINUTE } from '../../core/calendar/index.ts';
import {
  againOf,
  type Fault,
  isPriceChange,
  type PromotionDocument,
  readPromotion,
  shiftWhen,
} from '../../core/plan/index.ts';
import { apply, book, type CompiledPlan } from '../../core/price-book/index.ts';
import { changesAtOnce, isStanding, notTheirs } from '../people/index.ts';
import type {
  CurrentPlan,
  PlanBook,
  PromotionSave,
  PromotionStore,
  Proposal,
  StoredPromotion,
  WorkRules,
  WorkRulesStore,
} from '../ports/index.ts';
import { approvalOf, houseFaults } from './house.ts';
import { readPromotionInput } from './save-promotion.ts';
import { APPROVED_FIRST, mayResume } from './set-promotion-status.ts';
import { spanEffect } from './span-effect.ts';
import { proposalAfter } from './step-promotion.ts';

export interface ManyRequest {
  readonly ids: readonly string[];
  readonly action: ManyAction;
  /** For "move" and "again". */
  readonly days: number;
  /** The store whose clock says when "now" is. */
  readonly store: string;
}

/** What each action asks of who does it. */
export const MANY_NEEDS: Readonly<Record<ManyAction, Permission>> = {
  submit: 'plan',
  approve: 'approve',
  withdraw: 'plan',
  pause: 'plan',
  resume: 'plan',
  'end-now': 'plan',
  archive: 'plan',
  move: 'plan',
  again: 'plan',
};

/** As the history tells each action. */
export const MANY_WORDS: Readonly<Record<ManyAction, string>> = {
  submit: 'submitted',
  approve: 'approved',
  withdraw: 'withdrawn',
  pause: 'paused',
  resume: 'resumed',
  'end-now': 'ended',
  archive: 'archived',
  move: 'moved',
  again: 'copied',
};

type Ports = { book: PlanBook; promotions: PromotionStore; rules: WorkRulesStore };

/** What many promotions would be after an action, and what that would do to the prices of this moment. Saves nothing. */
export async function previewMany(
  ports: Ports,
  person: Person,
  request: ManyRequest,
  now: Instant,
  random: () => string,
): Promise<Outcome<ManyEffect>> {
  const current = await ports.book.current();
  const planned = await planMany(ports, current, person, request, now, random);
  return planned.ok ? done(effectOf(current, planned.value, person, request, now)) : planned;
}

/** Does one action to many promotions: all of them or none. */
export async function changeMany(
  ports: Ports,
  person: Person,
  request: ManyRequest,
  now: Instant,
  random: () => string,
): Promise<Outcome<{ changed: number; ids: readonly string[] }>> {
  const current = await ports.book.current();
  const planned = await planMany(ports, current, person, request, now, random);
  if (!planned.ok) return planned;
  const { saves } = planned.value;
  if (saves.length === 0)
    return invalid([], 'nothing would be left to do', 'promotions that do not run on by themselves');
  const result = await ports.promotions.saveAll(saves, person.id);
  if (result.kind === 'saved')
    return done({ changed: saves.length, ids: saves.map(({ promotion }) => promotion.id) });
  return failed({ kind: 'conflict', code: 'one-saved', id: result.id, undoing: false });
}

interface Planned {
  readonly saves: readonly PromotionSave[];
  /** What is left out, and why. */
  readonly left: readonly { readonly name: string; readonly why: string }[];
  /** Ids of copies that begin later than asked. */
  readonly cut: ReadonlySet<string>;
}

async function planMany(
  ports: Ports,
  current: CurrentPlan,
  person: Person,
  request: ManyRequest,
  now: Instant,
  random: () => string,
): Promise<Outcome<Planned>> {
  const { action, ids } = request;
  if (!may(person, MANY_NEEDS[action])) return failed({ kind: 'forbidden' });
  const store = current.compiled.stores.get(request.store);
  if (!store || !sees(person, store.id)) return failed({ kind: 'not-found', what: `store ${request.store}` });
  const minute = (Math.ceil(now / MINUTE) * MINUTE) as Instant;
  const wall = formatMoment(minute, current.compiled.clockOf(store)).slice(0, 16);
  const rules = await ports.rules.current();
  const all = new Map((await ports.promotions.all()).map((stored) => [stored.promotion.id, stored]));
  const saves: PromotionSave[] = [];
  const left: { name: string; why: string }[] = [];
  const cut = new Set<string>();
  const faults: Fault[] = [];
  for (const [i, id] of ids.entries()) {
    const found = all.get(id);
    if (!found) return failed({ kind: 'not-found', what: `promotion ${id}` });
    const foreign = [found.promotion, found.proposal?.document]
      .map((one) => notTheirs(person, current.compiled, one))
      .find(Boolean);
    if (foreign) {
      faults.push(...inPlace(i, found.promotion, [{ ...foreign, path: [] }]));
      continue;
    }
    if (action === 'submit') {
      const { promotion: live, proposal } = found;
      faults.push(...inPlace(i, live, houseFaults(proposal?.document ?? live, live, rules.house)));
      const submission = proposalAfter(found, person, { step: 'submit', reason: '', now: minuteText(now) });
      if ('fault' in submission)
        faults.push({
          path: ['ids', i],
          what: `“${found.promotion.name}”: ${submission.fault}`,
          wanted: submission.wanted,
        });
      else {
        const { promotion, revision } = found;
        saves.push({ promotion, revision, action: MANY_WORDS[action], proposal: submission.proposal });
      }
      continue;
    }
    if (action === 'again') {
      const copy = againOf(found.promotion, againId(id, random()), request.days);
      if ('left' in copy) {
        left.push({ name: found.promotion.name, why: copy.left });
        continue;
      }
      if (copy.cut) cut.add(copy.promotion.id);
      saves.push({ promotion: copy.promotion, revision: null, action: MANY_WORDS.again });
      continue;
    }
    const next =
      action === 'approve'
        ? refusing(approvalOf(found, person, rules, current.compiled))
        : action === 'resume' && !(await mayResume(ports.promotions, person, id))
          ? { fault: 'was paused by somebody else', wanted: 'who paused it, or who approves' }
          : after(found.promotion, request, wall);
    if ('fault' in next) {
      faults.push({ path: ['ids', i], what: `“${found.promotion.name}” ${next.fault}`, wanted: next.wanted });
      continue;
    }
    if ('first' in next) {
      const { promotion, revision } = found;
      saves.push({ promotion, revision, action: APPROVED_FIRST, proposal: next.first });
      continue;
    }
    const save = savingOf(found, next.promotion, request, { person, rules });
    const read = readPromotionInput(next.promotion, current.document);
    if (!read.ok && read.failure.kind === 'invalid')
      faults.push(...read.failure.faults.map((fault) => ({ ...fault, path: ['ids', i, ...fault.path] })));
    if (asksHouse(action, save))
      faults.push(...inPlace(i, found.promotion, houseFaults(save.promotion, found.promotion, rules.house)));
    saves.push(save);
  }
  return faults.length > 0 ? failed({ kind: 'invalid', faults }) : done({ saves, left, cut });
}

const minuteText = (now: Instant): string => new Date(now).toISOString();

/** What ends something, or puts back what was approved, is never refused. */
const asksHouse = (action: ManyAction, { promotion }: PromotionSave): boolean =>
  (action === 'approve' || action === 'move') && isStanding(promotion);

/** Faults of one among many: the sentence says which. */
const inPlace = (at: number, { name }: PromotionDocument, faults: readonly Fault[]): Fault[] =>
  faults.map(({ path, what, wanted }) => ({
    path: ['ids', at, ...path],
    what: `“${name}”: ${what}`,
    wanted,
  }));

const refusing = (next: ReturnType<typeof approvalOf>): After | { first: Proposal } => next;

/** What stands is moved once that was approved; what waits beside it is moved as it waits. */
function savingOf(
  found: StoredPromotion,
  next: PromotionDocument,
  { action, days }: ManyRequest,
  { person, rules }: { person: Person; rules: WorkRules },
): PromotionSave {
  const { promotion: live, proposal, revision } = found;
  const save = { promotion: next, revision, action: MANY_WORDS[action] };
  if (action !== 'move') return isStanding(next) && action !== 'approve' ? save : { ...save, proposal: null };
  if (!isStanding(live) || changesAtOnce(person, rules)) return save;
  const change = proposal?.document;
  return {
    promotion: live,
    revision,
    action: 'move written',
    proposal: {
      document: change ? { ...change, when: shiftWhen(change.when, days) } : next,
      writtenBy: person.id,
      submittedBy: null,
      submittedAt: null,
      approvedBy: null,
      returned: proposal?.returned ?? null,
    },
  };
}

type After = { readonly promotion: PromotionDocument } | { readonly fault: string; readonly wanted: string };

function after(promotion: PromotionDocument, { action, days }: ManyRequest, wall: string): After {
  const { status, when } = promotion;
  const to = (next: PromotionDocument['status'], from: readonly PromotionDocument['status'][]): After =>
    from.includes(status)
      ? { promotion: { ...promotion, status: next } }
      : { fault: `is ${status}`, wanted: `one that is ${from.join(' or ')}` };
  switch (action) {
    case 'submit':
    case 'approve':
    case 'again':
      return { promotion };
    case 'withdraw':
      return to('draft', ['approved', 'paused', 'archived']);
    case 'pause':
      return to('paused', ['approved']);
    case 'resume':
      return to('approved', ['paused']);
    case 'archive':
      return to('archived', ['draft', 'approved', 'paused']);
    case 'end-now':
      if (when.from >= wall)
        return { fault: 'has not started', wanted: 'one that runs; put it away instead' };
      if (when.to !== undefined && when.to <= wall)
        return { fault: 'is over already', wanted: 'one that runs' };
      return { promotion: { ...promotion, when: { ...when, to: wall } } };
    case 'move':
      return { promotion: { ...promotion, when: shiftWhen(when, days) } };
  }
}

/** The id of a copy: what the first one was called, and letters of its own. */
const againId = (id: string, random: string): string =>
  `${id.replace(/-[0-9a-f]{6}$/, '').slice(0, 150)}-${random}`;

/** How many prices of this very moment would be others, over all stores that the person sees. */
function effectOf(
  current: CurrentPlan,
  { saves, left, cut }: Planned,
  person: Person,
  { action, store: lens }: ManyRequest,
  now: Instant,
): ManyEffect {
  const { compiled } = current;
  const next = saves.reduce<CompiledPlan>(
    (plan, { promotion }) =>
      apply(plan, { kind: 'put-promotion', promotion: readPromotion(promotion, plan.plan.currency) })
        .compiled,
    compiled,
  );
  // In its own span each is looked at with all the others standing, drafts or not.
  const standing = saves.reduce<CompiledPlan>(
    (plan, { promotion, proposal }) =>
      apply(plan, {
        kind: 'put-promotion',
        promotion: {
          ...readPromotion(proposal?.document ?? promotion, plan.plan.currency),
          status: 'approved',
        },
      }).compiled,
    compiled,
  );
  const stores = compiled.plan.stores.map(({ id }) => id).filter((id) => sees(person, id));
  const effect = { items: new Set<number>(), stores: 0, up: 0, down: 0 };
  for (const store of stores) {
    const was = book(compiled, now, [store]).prices;
    const will = book(next, now, [store]).prices;
    let differs = false;
    was.forEach((price, index) => {
      if (price === will[index]) return;
      differs = true;
      effect.items.add(index);
      if (will[index]! > price) effect.up++;
      else effect.down++;
    });
    if (differs) effect.stores++;
  }
  return {
    promotions: saves.map(({ promotion, proposal }) => ({
      id: promotion.id,
      name: promotion.name,
      status: promotion.status,
      from: promotion.when.from,
      to: promotion.when.to ?? null,
      pricesNow: isPriceChange(promotion),
      waits: (proposal?.document ?? null) !== null,
      cut: cut.has(promotion.id),
      span:
        action === 'again' || action === 'move'
          ? spanEffect(standing, readPromotion(proposal?.document ?? promotion, standing.plan.currency), lens)
          : null,
    })),
    left,
    items: effect.items.size,
    stores: effect.stores,
    up: effect.up,
    down: effect.down,
  };
}
