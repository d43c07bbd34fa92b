import { X } from 'lucide-react';
import { useState } from 'react';
import type { HouseRules, ShutDay } from '../../contracts/view/index.ts';
import { WEEKDAYS, type Weekday } from '../../core/calendar/index.ts';
import { WEEKDAY_NAMES } from '../../core/words/index.ts';
import { Check, KeptField, Notice } from '../../ui/pieces/index.ts';
import { dateWords, saidPercent } from '../../ui/writing/index.ts';
import { DayField } from '../days/index.ts';
import { countOf, shareOf } from '../sentence/typed-numbers.ts';
import { type ClashWords, SettingsClash } from './settings-clash.tsx';
import { useSettings } from './use-settings.ts';

/** What the chain asks of its own promotions, and when its stores are shut. */
export function HouseRulesForm({ house }: { house: HouseRules }) {
  const settings = useSettings('/api/house-rules', house);
  const { value: rules, round, typed, said, refused } = settings;
  return (
    <form
      aria-labelledby="house-rules"
      className="space-y-4 text-sm"
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        void settings.save();
      }}
    >
      <h2 id="house-rules" className="text-xl">
        Rules of the house
      </h2>
      <p className="quiet">
        What does not keep them can be written and kept as a draft, and is neither submitted nor approved.
        What was approved before goes on.
      </p>
      <EndingDays chosen={rules.notEndingOn} onChange={(notEndingOn) => typed({ notEndingOn })} />
      <div key={round} className="flex flex-wrap gap-x-6 gap-y-3">
        <span className="block w-56">
          <KeptField
            label="A promotion lasts at most so many days"
            text={rules.longest === null ? '' : String(rules.longest)}
            reading={{ read: daysOf, wanted: 'a whole number up to 3660, or nothing' }}
            inputMode="numeric"
            optional
            onChange={(longest) => typed({ longest })}
          />
        </span>
        <span className="block w-56">
          <KeptField
            label="More than so many % off takes two approvals"
            text={rules.secondFrom === null ? '' : String(rules.secondFrom / 100)}
            reading={{ read: shareOf, wanted: 'a percentage up to 100, or nothing' }}
            optional
            onChange={(secondFrom) => typed({ secondFrom })}
          />
        </span>
      </div>
      <ShutDays days={rules.shutDays} onChange={(shutDays) => typed({ shutDays })} />
      <SettingsClash settings={settings} words={WORDS} />
      {refused ? <Notice tone="trouble">{refused}</Notice> : null}
      <p className="flex items-baseline gap-3">
        <button type="submit" className="btn btn-primary btn-sm">
          Keep these rules
        </button>
        <span role="status">{said}</span>
      </p>
    </form>
  );
}

const NONE = 'nothing is said';
const listed = (parts: readonly string[]): string => parts.join(', ') || 'none';
const WORDS = {
  notEndingOn: ['No promotion ends on a', (days) => listed(days.map((day) => WEEKDAY_NAMES[day]))],
  longest: ['Days that a promotion lasts at most', (days) => (days === null ? NONE : String(days))],
  secondFrom: ['Two approvals from', (share) => (share === null ? NONE : saidPercent(share))],
  shutDays: [
    'Days on which the stores are shut',
    (days) => listed(days.map(({ day, name }) => `${name} ${dateWords(day)}`)),
  ],
} satisfies ClashWords<HouseRules>;

const daysOf = (text: string): number | null => {
  const days = countOf(text);
  return days !== null && days <= 3_660 ? days : null;
};

function EndingDays({
  chosen,
  onChange,
}: {
  chosen: readonly Weekday[];
  onChange: (days: Weekday[]) => void;
}) {
  return (
    <fieldset>
      <legend className="mb-1">No promotion ends on a</legend>
      <span className="flex flex-wrap gap-x-4 gap-y-1">
        {WEEKDAYS.map((day) => (
          <Check
            key={day}
            words={WEEKDAY_NAMES[day]}
            checked={chosen.includes(day)}
            onChange={(checked) =>
              onChange(WEEKDAYS.filter((one) => (one === day ? checked : chosen.includes(one))))
            }
          />
        ))}
      </span>
    </fieldset>
  );
}

/** Days on which no store opens; what ends on one of them is pointed out while it is written. */
function ShutDays({ days, onChange }: { days: readonly ShutDay[]; onChange: (days: ShutDay[]) => void }) {
  const [day, setDay] = useState('');
  const [name, setName] = useState('');
  const known = days.some((one) => one.day === day);
  return (
    <fieldset>
      <legend className="mb-1">Days on which the stores are shut</legend>
      {days.length === 0 ? <p className="quiet">None are known yet.</p> : null}
      <ul className="max-w-md">
        {days.map((one) => (
          <li key={one.day} className="hairline flex items-center gap-3 border-b py-0.5">
            <span className="min-w-0 flex-1">{one.name}</span>
            <span className="tabular-nums">{dateWords(one.day)}</span>
            <button
              type="button"
              className="btn btn-ghost btn-xs px-1"
              onClick={() => onChange(days.filter((other) => other !== one))}
            >
              <X size={13} aria-label={`open on ${dateWords(one.day)} after all`} />
            </button>
          </li>
        ))}
      </ul>
      <span className="mt-2 flex max-w-md flex-wrap items-end gap-2">
        <DayField label="Day" value={day} onChange={setDay} />
        <label className="block min-w-32 flex-1">
          What it is
          <input
            className="input input-sm mt-0.5 w-full"
            value={name}
            maxLength={100}
            onChange={(event) => setName(event.target.value)}
          />
        </label>
        <button
          type="button"
          className="btn btn-sm"
          disabled={day === '' || name.trim() === '' || known}
          onClick={() => {
            onChange([...days, { day, name: name.trim() }].sort((a, b) => (a.day < b.day ? -1 : 1)));
            setDay('');
            setName('');
          }}
        >
          Add the day
        </button>
      </span>
      {known ? <p>That day is among them already.</p> : null}
    </fieldset>
  );
}
