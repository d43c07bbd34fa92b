import { CalendarDays } from 'lucide-react';
import { useId, useRef, useState } from 'react';
import { useOutsidePress } from '../../ui/pieces/index.ts';
import { DayCalendar } from './day-calendar.tsx';

/** A new moment begins when the shops have opened. */
const FIRST_HOUR = '09:00';

/** A day, or a day and an hour, typed or picked in a calendar that shows what runs. */
export function DayField({
  label,
  labelShown = true,
  value,
  hours = false,
  required = false,
  disabled = false,
  small = false,
  onChange,
}: {
  label: string;
  labelShown?: boolean;
  /** ISO 8601, without a zone; empty: none yet. */
  value: string;
  hours?: boolean;
  required?: boolean;
  disabled?: boolean;
  small?: boolean;
  onChange: (value: string) => void;
}) {
  const [open, setOpen] = useState(false);
  const id = useId();
  const root = useRef<HTMLSpanElement>(null);
  const button = useRef<HTMLButtonElement>(null);
  useOutsidePress(root, open, () => setOpen(false));
  const close = () => {
    setOpen(false);
    button.current?.focus();
  };
  return (
    // biome-ignore lint/a11y/noStaticElementInteractions: Escape from anywhere inside closes the calendar.
    <span
      ref={root}
      className="relative block"
      onKeyDown={(event) => {
        if (event.key !== 'Escape' || !open) return;
        event.stopPropagation();
        close();
      }}
    >
      {labelShown ? (
        <label htmlFor={id} className="block">
          {label}
        </label>
      ) : null}
      <span className="mt-0.5 flex items-center gap-1">
        <input
          id={id}
          type={hours ? 'datetime-local' : 'date'}
          className={`input day-typed ${small ? 'input-xs' : 'input-sm'} min-w-0 flex-1`}
          aria-label={labelShown ? undefined : label}
          value={value}
          required={required}
          disabled={disabled}
          onChange={(event) => onChange(event.target.value)}
        />
        <button
          ref={button}
          type="button"
          className={`btn btn-ghost ${small ? 'btn-xs' : 'btn-sm'} px-1.5`}
          aria-label="Pick a day"
          aria-expanded={open}
          disabled={disabled}
          onClick={() => setOpen(!open)}
        >
          <CalendarDays size={16} aria-hidden="true" />
        </button>
      </span>
      {open ? (
        <DayCalendar
          chosen={value}
          onPick={(day) => {
            onChange(hours ? `${day}T${value.slice(11, 16) || FIRST_HOUR}` : day);
            close();
          }}
        />
      ) : null}
    </span>
  );
}
