import type { ReactNode } from 'react';
import { FaultField, Notice, WordsChoice } from '../../ui/pieces/index.ts';
import { type Refusal, refusalWords } from '../server/index.ts';

/** What is said of somebody, as it stands in the form; an empty text is nothing. */
export interface ShopperDraft {
  readonly name: string;
  readonly email: string;
  readonly groups: readonly string[];
}

export const saidOf = ({ name, email, groups }: ShopperDraft) => ({
  name: name.trim() || null,
  email: email.trim() || null,
  groups: [...groups],
});

/** Name, address and kinds of somebody. @param children further fields, and what the form does. */
export function DetailsForm({
  label,
  draft,
  groups,
  refusal,
  onDraft,
  onKeep,
  children,
}: {
  label: string;
  draft: ShopperDraft;
  groups: readonly { readonly id: string; readonly name: string }[];
  refusal: Refusal | null;
  onDraft: (draft: ShopperDraft) => void;
  onKeep: () => void;
  children: ReactNode;
}) {
  const faultOf = (field: string) =>
    refusal?.faults.find(({ path }) => path === `/${field}`)?.message ?? null;
  const told = ['/name', '/email', '/card'];
  const elsewhere = refusal && !refusal.faults.some(({ path }) => told.includes(path));
  return (
    <form
      className="bg-base-200 mt-3 max-w-xl space-y-3 px-4 py-3 text-sm"
      aria-label={label}
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        onKeep();
      }}
    >
      <FaultField
        label="Name (nothing: known by card alone)"
        inputMode="text"
        value={draft.name}
        fault={faultOf('name')}
        onChange={(name) => onDraft({ ...draft, name })}
      />
      <FaultField
        label="E-mail"
        inputMode="text"
        value={draft.email}
        fault={faultOf('email')}
        onChange={(email) => onDraft({ ...draft, email })}
      />
      <WordsChoice
        label="Kinds of shopper"
        known={groups.map(({ id, name }) => ({ value: id, words: name }))}
        chosen={draft.groups}
        none="The chain has no kinds of shopper yet."
        onChange={(chosen) => onDraft({ ...draft, groups: chosen })}
      />
      {elsewhere ? <Notice tone="trouble">{refusalWords(refusal)}</Notice> : null}
      {children}
    </form>
  );
}
