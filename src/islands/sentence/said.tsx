import type { ReactNode } from 'react';
import { Part } from '../../ui/pieces/index.ts';
import type { Draft } from '../draft/draft.ts';
import type { Refusal } from '../server/index.ts';
import { faultUnder } from './faults.ts';

export interface SaidPart {
  readonly name: string;
  readonly words: string;
  readonly fault: string | null;
  readonly wide?: boolean;
  readonly startOpen?: boolean;
  readonly children: ReactNode;
}

/** A part of the sentence; plain words where it may only be read. */
export function Said({
  name,
  words,
  fault,
  wide = false,
  startOpen = false,
  children,
  locked,
}: SaidPart & { locked: boolean }) {
  if (locked) return <strong className="font-medium">{words}</strong>;
  return (
    <Part name={name} words={words} invalid={fault} wide={wide} startOpen={startOpen}>
      {() => children}
    </Part>
  );
}

/** Names by SKU as entries of a list of items. */
export const named = (known: Readonly<Record<string, string>>) =>
  Object.entries(known).map(([sku, name]) => ({ sku, name }));

/** What colleagues call it. */
export function NameField({
  draft,
  faults,
  locked,
  onName,
}: {
  draft: Pick<Draft, 'name'>;
  faults: Refusal['faults'];
  locked: boolean;
  onName: (name: string) => void;
}) {
  const fault = faultUnder(faults, '/name');
  if (locked) return <h1 className="mt-1 text-3xl">{draft.name}</h1>;
  return (
    <h1 className="mt-1">
      <input
        className="w-full border-transparent border-b bg-transparent font-serif text-3xl hover:border-base-300 focus:border-primary"
        aria-label="Name for colleagues"
        placeholder="Name it for your colleagues"
        maxLength={300}
        value={draft.name}
        aria-invalid={fault !== null}
        onChange={(event) => onName(event.target.value)}
      />
      {fault ? (
        <span className="block font-sans text-error text-sm" role="alert">
          {fault}
        </span>
      ) : null}
    </h1>
  );
}
