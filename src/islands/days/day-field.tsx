import { CalendarDays } from 'lucide-react';
import { useId } from 'react';
import { Panel, Panels, usePanel } from '../../ui/pieces/index.ts';
import { DayCalendar } from './day-calendar.tsx';

/** A new moment begins when the shops have opened. */
const FIRST_HOUR = '09:00';

interface DayFieldProps {
  readonly label: string;
  readonly labelShown?: boolean;
  /** ISO 8601, without a zone; empty: none yet. */
  readonly value: string;
  readonly hours?: boolean;
  readonly required?: boolean;
  readonly disabled?: boolean;
  readonly small?: boolean;
  readonly onChange: (value: string) => void;
}

/** A day, or a day and an hour, typed or picked in a calendar that shows what runs. */
export function DayField(props: DayFieldProps) {
  return (
    <Panels>
      <Field {...props} />
    </Panels>
  );
}

function Field({
  label,
  labelShown = true,
  value,
  hours = false,
  required = false,
  disabled = false,
  small = false,
  onChange,
}: DayFieldProps) {
  const at = usePanel();
  const { open, setOpen, refs } = at;
  const id = useId();
  return (
    <span className="block">
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
          ref={refs.setReference}
          type="button"
          className={`btn btn-ghost ${small ? 'btn-xs' : 'btn-sm'} px-1.5`}
          aria-label="Pick a day"
          aria-expanded={open}
          disabled={disabled}
          {...at.getReferenceProps({ onClick: () => setOpen(!open) })}
        >
          <CalendarDays size={16} aria-hidden="true" />
        </button>
      </span>
      <Panel at={at} name={`Pick a day: ${label}`} id={`${id}-days`}>
        <DayCalendar
          chosen={value}
          onPick={(day) => {
            onChange(hours ? `${day}T${value.slice(11, 16) || FIRST_HOUR}` : day);
            setOpen(false);
          }}
        />
      </Panel>
    </span>
  );
}
