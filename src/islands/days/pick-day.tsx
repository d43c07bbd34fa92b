import { useId } from 'react';
import { Panel, Panels, usePanel } from '../../ui/pieces/index.ts';
import { DayCalendar } from './day-calendar.tsx';
import { PickDayButton } from './pick-day-button.tsx';

interface PickDayProps {
  readonly label: string;
  /** ISO 8601; empty: none yet. */
  readonly value: string;
  readonly small: boolean;
  readonly disabled: boolean;
  readonly onPick: (day: string) => void;
}

/** The calendar of a day field and what opens it; it comes once it is asked for, and so begins open. */
export function PickDay(props: PickDayProps) {
  return (
    <Panels>
      <Opened {...props} />
    </Panels>
  );
}

function Opened({ label, value, small, disabled, onPick }: PickDayProps) {
  const at = usePanel(true);
  const { open, setOpen, refs } = at;
  const id = useId();
  return (
    <>
      <PickDayButton
        ref={refs.setReference}
        {...{ open, small, disabled }}
        {...at.getReferenceProps({ onClick: () => setOpen(!open) })}
      />
      <Panel at={at} name={`Pick a day: ${label}`} id={id}>
        <DayCalendar
          chosen={value}
          onPick={(day) => {
            onPick(day);
            setOpen(false);
          }}
        />
      </Panel>
    </>
  );
}
