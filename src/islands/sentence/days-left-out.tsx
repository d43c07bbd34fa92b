import { X } from 'lucide-react';
import { useState } from 'react';
import { dateWords } from '../../ui/writing/index.ts';
import { DayField } from '../days/index.ts';

/** Days on which it does not count, such as holidays. */
export function DaysLeftOut({
  days,
  onChange,
}: {
  days: readonly string[];
  onChange: (days: string[]) => void;
}) {
  const [typed, setTyped] = useState('');
  return (
    <span className="hairline block border-t pt-2">
      {days.map((day) => (
        <span key={day} className="mr-2 inline-flex items-baseline gap-0.5">
          not on {dateWords(day)}
          <button
            type="button"
            className="btn btn-ghost btn-xs px-1"
            onClick={() => onChange(days.filter((one) => one !== day))}
          >
            <X size={12} aria-label={`count on ${dateWords(day)} after all`} />
          </button>
        </span>
      ))}
      <span className="flex items-center gap-1.5">
        Leave out
        <DayField label="A day to leave out" labelShown={false} small value={typed} onChange={setTyped} />
        <button
          type="button"
          className="btn btn-xs"
          disabled={typed === '' || days.includes(typed)}
          onClick={() => {
            onChange([...days, typed].sort());
            setTyped('');
          }}
        >
          Add
        </button>
      </span>
    </span>
  );
}
