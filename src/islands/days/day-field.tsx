import { useId, useState } from 'react';
import { laterPart, WhenUsed } from '../../ui/pieces/index.ts';
import { PickDayButton } from './pick-day-button.tsx';

const PICK_DAY = laterPart(() => import('./pick-day.tsx').then(({ PickDay }) => PickDay));

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
export function DayField({
  label,
  labelShown = true,
  value,
  hours = false,
  required = false,
  disabled = false,
  small = false,
  onChange,
}: DayFieldProps) {
  const [asked, setAsked] = useState(false);
  const id = useId();
  const button = (
    <PickDayButton
      {...{ small, disabled }}
      open={asked}
      onPointerEnter={PICK_DAY.near}
      onFocus={PICK_DAY.near}
      onClick={() => setAsked(true)}
    />
  );
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
        {asked ? (
          <WhenUsed
            part={PICK_DAY}
            meanwhile={button}
            given={{
              ...{ label, value, small, disabled },
              onPick: (day) => onChange(hours ? `${day}T${value.slice(11, 16) || FIRST_HOUR}` : day),
            }}
          />
        ) : (
          button
        )}
      </span>
    </span>
  );
}
