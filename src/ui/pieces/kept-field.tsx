import { useState } from 'react';
import { inField } from '../writing/index.ts';
import { FaultField } from './fault-field.tsx';

/** How what is typed is read; `wanted` is said where it cannot be. */
export interface Reading<T> {
  readonly read: (text: string) => T | null;
  readonly wanted: string;
}

/**
 * A field that keeps what is typed and passes on only what can be read. Where it may be empty, nothing typed passes
 * on null.
 */
export function KeptField<T>({
  label,
  text: first,
  reading: { read, wanted },
  inputMode,
  optional = false,
  onChange,
}: {
  label: string;
  text: string;
  reading: Reading<T>;
  inputMode?: 'decimal' | 'numeric' | 'text';
  optional?: boolean;
  onChange: (value: T | null) => void;
}) {
  const [text, setText] = useState(inField(first));
  const empty = optional && text.trim() === '';
  return (
    <FaultField
      label={label}
      value={text}
      fault={empty || read(text) !== null ? null : `“${text}” does not fit; wanted: ${wanted}`}
      inputMode={inputMode}
      onChange={(next) => {
        setText(next);
        const value = read(next);
        if (value !== null) onChange(value);
        else if (optional && next.trim() === '') onChange(null);
      }}
    />
  );
}
