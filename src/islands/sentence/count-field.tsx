import { KeptField } from '../../ui/pieces/index.ts';
import { countOf } from './typed-numbers.ts';

/** A whole number from 1. */
export function CountField({
  label,
  count,
  onChange,
}: {
  label: string;
  count: number;
  onChange: (count: number) => void;
}) {
  return (
    <KeptField
      label={label}
      text={String(count)}
      inputMode="numeric"
      reading={{ read: countOf, wanted: 'a whole number from 1' }}
      onChange={(read) => read !== null && onChange(read)}
    />
  );
}

/** A whole number from 1, or nothing. */
export function OptionalCount({
  label,
  count,
  onChange,
}: {
  label: string;
  count: number | undefined;
  onChange: (count: number | null) => void;
}) {
  return (
    <KeptField
      label={label}
      text={String(count ?? '')}
      inputMode="numeric"
      optional
      reading={{ read: countOf, wanted: 'a whole number from 1, or nothing' }}
      onChange={onChange}
    />
  );
}
