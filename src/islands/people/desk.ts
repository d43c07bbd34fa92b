import type { PersonRequest } from '../../contracts/index.ts';
import type { PersonRow, Role } from '../../contracts/view/index.ts';

/** What is said of somebody, as it stands in the form. */
export interface PersonDraft {
  readonly name: string;
  readonly email: string;
  readonly role: Role;
  readonly costs: boolean;
  readonly stores: readonly string[];
  /** Departments whose goods alone they may change; none: all. */
  readonly goods: readonly string[];
}

/** Whom the form is about: somebody new, or one of those that there are. */
export type Whom = { readonly kind: 'new' } | { readonly kind: 'one'; readonly id: string };

export interface PeopleDesk {
  /** Null: no form stands open. */
  readonly open: { readonly whom: Whom; readonly draft: PersonDraft } | null;
  /** What was done last. */
  readonly said: string;
}

export type PeopleEvent =
  | { readonly type: 'invite' }
  | { readonly type: 'change'; readonly of: PersonRow }
  | { readonly type: 'typed'; readonly more: Partial<PersonDraft> }
  | { readonly type: 'store'; readonly id: string; readonly theirs: boolean }
  | { readonly type: 'department'; readonly id: string; readonly theirs: boolean }
  | { readonly type: 'left' }
  | { readonly type: 'done'; readonly said: string };

export const FIRST: PeopleDesk = { open: null, said: '' };
const NOBODY: PersonDraft = { name: '', email: '', role: 'planner', costs: false, stores: [], goods: [] };

export function peopleAfter(desk: PeopleDesk, event: PeopleEvent): PeopleDesk {
  const { open } = desk;
  const typed = (more: Partial<PersonDraft>): PeopleDesk =>
    open ? { ...desk, open: { ...open, draft: { ...open.draft, ...more } } } : desk;
  switch (event.type) {
    case 'invite':
      return { open: { whom: { kind: 'new' }, draft: NOBODY }, said: '' };
    case 'change': {
      const { id, name, email, role, costs, stores, goods } = event.of;
      const draft = { name, email, role, costs, stores, goods: goods ?? [] };
      return { open: { whom: { kind: 'one', id }, draft }, said: '' };
    }
    case 'typed':
      return typed(event.more);
    case 'store':
      return typed({ stores: chosenAfter(open?.draft.stores, event) });
    case 'department':
      return typed({ goods: chosenAfter(open?.draft.goods, event) });
    case 'left':
      return { ...desk, open: null };
    case 'done':
      return { open: null, said: event.said };
  }
}

function chosenAfter(
  chosen: readonly string[] = [],
  { id, theirs }: { readonly id: string; readonly theirs: boolean },
): readonly string[] {
  const others = chosen.filter((one) => one !== id);
  return theirs ? [...others, id] : others;
}

/** Who may be kept to the goods of some departments. */
export const KEPT_TO_GOODS: readonly Role[] = ['planner', 'approver'];

/** What is sent of it: stores are those of somebody who runs stores alone, goods of who plans or approves. */
export const saidOf = ({ name, role, costs, stores, goods }: PersonDraft): PersonRequest => ({
  ...{ name: name.trim(), role, costs },
  stores: role === 'store' ? [...stores] : [],
  ...(KEPT_TO_GOODS.includes(role) && goods.length > 0 ? { goods: [...goods] } : {}),
});
