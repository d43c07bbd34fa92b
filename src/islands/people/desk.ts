import type { PersonRequest } from '../../contracts/index.ts';
import type { PersonRow, Role } from '../../contracts/view/index.ts';

/** What is said of somebody, as it stands in the form. */
export interface PersonDraft {
  readonly name: string;
  readonly email: string;
  readonly role: Role;
  readonly costs: boolean;
  readonly stores: readonly string[];
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
  | { readonly type: 'left' }
  | { readonly type: 'done'; readonly said: string };

export const FIRST: PeopleDesk = { open: null, said: '' };
const NOBODY: PersonDraft = { name: '', email: '', role: 'planner', costs: false, stores: [] };

export function peopleAfter(desk: PeopleDesk, event: PeopleEvent): PeopleDesk {
  const { open } = desk;
  const typed = (more: Partial<PersonDraft>): PeopleDesk =>
    open ? { ...desk, open: { ...open, draft: { ...open.draft, ...more } } } : desk;
  switch (event.type) {
    case 'invite':
      return { open: { whom: { kind: 'new' }, draft: NOBODY }, said: '' };
    case 'change': {
      const { id, name, email, role, costs, stores } = event.of;
      return { open: { whom: { kind: 'one', id }, draft: { name, email, role, costs, stores } }, said: '' };
    }
    case 'typed':
      return typed(event.more);
    case 'store': {
      const others = (open?.draft.stores ?? []).filter((id) => id !== event.id);
      return typed({ stores: event.theirs ? [...others, event.id] : others });
    }
    case 'left':
      return { ...desk, open: null };
    case 'done':
      return { open: null, said: event.said };
  }
}

/** What is sent of it: stores are those of somebody who runs stores alone. */
export const saidOf = ({ name, role, costs, stores }: PersonDraft): PersonRequest => ({
  ...{ name: name.trim(), role, costs },
  stores: role === 'store' ? [...stores] : [],
});
