import { CalendarDays } from 'lucide-react';
import type { ComponentProps } from 'react';

interface PickDayButtonProps extends ComponentProps<'button'> {
  readonly open: boolean;
  readonly small: boolean;
}

/** What opens the calendar of a day field. */
export function PickDayButton({ open, small, ...others }: PickDayButtonProps) {
  return (
    <button
      type="button"
      className={`btn btn-ghost ${small ? 'btn-xs' : 'btn-sm'} px-1.5`}
      aria-label="Pick a day"
      aria-expanded={open}
      {...others}
    >
      <CalendarDays size={16} aria-hidden="true" />
    </button>
  );
}
