import { type PeopleView, ROLES, type Role } from '../../contracts/view/index.ts';
import { FaultField, Notice } from '../../ui/pieces/index.ts';
import { ROLE_DOES, ROLE_WORDS } from '../../ui/words/index.ts';
import type { Refusal } from '../server/index.ts';
import { KEPT_TO_GOODS, type PersonDraft } from './desk.ts';
import { TheirGoods } from './their-goods.tsx';
import { TheirStores } from './their-stores.tsx';

export interface PersonFormProps {
  readonly draft: PersonDraft;
  readonly isNew: boolean;
  readonly stores: PeopleView['stores'];
  readonly departments: PeopleView['departments'];
  readonly refusal: Refusal | null;
  readonly busy: boolean;
  readonly onTyped: (more: Partial<PersonDraft>) => void;
  readonly onStore: (id: string, theirs: boolean) => void;
  readonly onDepartment: (id: string, theirs: boolean) => void;
  readonly onKeep: () => void;
  readonly onLeave: () => void;
}

/** Who somebody is, what they may do, and what they see. */
export function PersonForm(props: PersonFormProps) {
  const { draft, isNew, refusal, busy, onTyped, onKeep, onLeave } = props;
  const faultOf = (field: string) =>
    refusal?.faults.find(({ path }) => path === `/${field}`)?.message ?? null;
  const elsewhere =
    refusal?.faults.filter(({ path }) => !['/name', '/email', '/stores', '/goods'].includes(path)) ?? [];
  return (
    <form
      className="bg-base-200 mt-3 grid max-w-3xl gap-x-8 gap-y-3 px-4 py-3 text-sm md:grid-cols-2"
      aria-label={isNew ? 'Invite somebody' : `Change ${draft.name}`}
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        onKeep();
      }}
    >
      <div className="space-y-3">
        <FaultField
          label="Name"
          inputMode="text"
          value={draft.name}
          fault={faultOf('name')}
          onChange={(name) => onTyped({ name })}
        />
        {isNew ? (
          <FaultField
            label="E-mail"
            inputMode="text"
            value={draft.email}
            fault={faultOf('email')}
            onChange={(email) => onTyped({ email })}
          />
        ) : null}
        <label className="flex items-center gap-2">
          <input
            type="checkbox"
            className="checkbox"
            checked={draft.costs}
            onChange={({ target }) => onTyped({ costs: target.checked })}
          />
          Is shown costs and margins
        </label>
      </div>
      <Roles role={draft.role} onRole={(role) => onTyped({ role })} />
      {draft.role === 'store' ? (
        <TheirStores
          chosen={draft.stores}
          stores={props.stores}
          fault={faultOf('stores')}
          onStore={props.onStore}
        />
      ) : null}
      {KEPT_TO_GOODS.includes(draft.role) ? (
        <TheirGoods
          chosen={draft.goods}
          departments={props.departments}
          fault={faultOf('goods')}
          onDepartment={props.onDepartment}
        />
      ) : null}
      {refusal && (refusal.faults.length === 0 || elsewhere.length > 0) ? (
        <Notice tone="trouble" className="md:col-span-2">
          {elsewhere.map(({ message }) => message).join('; ') || refusal.message}
        </Notice>
      ) : null}
      <p className="flex gap-2 md:col-span-2">
        <button type="submit" className="btn btn-primary btn-sm" disabled={busy}>
          {isNew ? 'Send the invitation' : 'Keep this'}
        </button>
        <button type="button" className="btn btn-sm" onClick={onLeave}>
          Leave it
        </button>
      </p>
    </form>
  );
}

function Roles({ role, onRole }: { role: Role; onRole: (role: Role) => void }) {
  return (
    <fieldset>
      <legend>What they may do</legend>
      {(Object.keys(ROLES) as Role[]).map((one) => (
        <label key={one} className="flex items-start gap-2 py-1">
          <input
            type="radio"
            name="role"
            className="radio radio-sm"
            checked={role === one}
            onChange={() => onRole(one)}
          />
          <span>
            <b className="font-medium">{ROLE_WORDS[one]}</b> {ROLE_DOES[one]}
          </span>
        </label>
      ))}
    </fieldset>
  );
}
