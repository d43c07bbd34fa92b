import { useCallback, useState } from 'react';
import { type Choices, type LensView, lensQuery } from '../../contracts/view/index.ts';
import { dayNumber, formatLocalDate, parseLocalDate } from '../../core/calendar/index.ts';
import type { StoreRule, WorksheetDocument } from '../../core/plan/index.ts';
import { dateWords } from '../../ui/moment.ts';
import { useChoices } from '../selection/index.ts';
import { ask, type Refusal, refusalOf, WithServer } from '../server/index.ts';
import { Worksheet } from '../worksheet/index.ts';

export function Reprice({ view }: { view: LensView }) {
  return (
    <WithServer>
      <Desk view={view} />
    </WithServer>
  );
}

/** Where the new regular prices count, as a row of the price table says it. */
type Place = 'chain' | `zone:${string}` | `store:${string}`;

const whereOf = (place: Place): StoreRule => {
  const [kind, id] = place.split(':') as [string, string];
  if (kind === 'zone') return { zone: id };
  return kind === 'store' ? { stores: [id] } : { all: true };
};

const tomorrow = (at: string): string => formatLocalDate(dayNumber(parseLocalDate(at.slice(0, 10))! + 1));

/** Regular prices entered ahead: a worksheet whose prices hold from a day on. */
function Desk({ view }: { view: LensView }) {
  const choices = useChoices();
  const [since, setSince] = useState(() => tomorrow(view.at));
  const [place, setPlace] = useState<Place>('chain');
  const [sheet, setSheet] = useState<WorksheetDocument>({ passes: [] });
  const [prices, setPrices] = useState<Record<string, string>>({});
  const [refusal, setRefusal] = useState<Refusal | null>(null);
  const [said, setSaid] = useState('');
  const onPrices = useCallback((next: Record<string, string>) => setPrices(next), []);
  if (!choices.data) return <p className="quiet mt-4">Reading the chain …</p>;
  const count = Object.keys(prices).length;
  const isDay = parseLocalDate(since) !== null;

  async function save() {
    setRefusal(null);
    const edits = Object.entries(prices).map(([sku, price]) => ({
      key: null,
      cells: { sku, place, since, price },
    }));
    try {
      await ask('/api/stockroom/prices', { method: 'POST', body: { edits, drops: [], overwrite: true } });
      setSaid(`${count} regular prices are in, from ${dateWords(since)} on.`);
      setSheet({ passes: [] });
      setPrices({});
    } catch (error) {
      setRefusal(refusalOf(error));
    }
  }

  return (
    <>
      <p className="mt-2 flex flex-wrap items-center gap-x-2 gap-y-1 font-serif text-xl">
        From
        <input
          type="date"
          className="input input-sm w-38"
          aria-label="From which day on"
          value={since}
          aria-invalid={!isDay}
          onChange={(event) => setSince(event.target.value)}
        />
        on, in
        <PlaceChoice choices={choices.data} place={place} onChange={setPlace} />, these regular prices count.
      </p>
      {isDay ? (
        <Worksheet
          frame={{ id: 'reprice', where: whereOf(place), when: { from: `${since}T00:00` } }}
          sheet={sheet}
          saved={null}
          choices={choices.data}
          view={view}
          locked={false}
          regular
          onChange={setSheet}
          onPrices={onPrices}
        />
      ) : (
        <p className="mt-4 text-error">Choose the day from which on they count.</p>
      )}
      {refusal ? (
        <p role="alert" className="mt-3 border-error border-l-4 pl-3 text-sm">
          {refusal.message}{' '}
          {refusal.faults
            .slice(0, 5)
            .map(({ message }) => message)
            .join('; ')}
        </p>
      ) : null}
      <p className="mt-5 flex flex-wrap items-center gap-3">
        <button
          type="button"
          className="btn btn-primary btn-sm"
          disabled={count === 0 || !isDay}
          onClick={save}
        >
          Enter {count === 0 ? 'them' : `these ${count} prices`}
        </button>
        <span role="status" className="text-sm">
          {said}{' '}
          {said ? (
            <a className="link" href={`/stockroom/prices${lensQuery(view.lens)}`}>
              See them in the table
            </a>
          ) : null}
        </span>
      </p>
    </>
  );
}

function PlaceChoice({
  choices,
  place,
  onChange,
}: {
  choices: Choices;
  place: Place;
  onChange: (place: Place) => void;
}) {
  return (
    <select
      className="select select-sm w-auto"
      aria-label="Where they count"
      value={place}
      onChange={(event) => onChange(event.target.value as Place)}
    >
      <option value="chain">the whole chain</option>
      <optgroup label="Price zones">
        {choices.zones.map(({ id, name }) => (
          <option key={id} value={`zone:${id}`}>
            {name}
          </option>
        ))}
      </optgroup>
      <optgroup label="Single stores">
        {choices.stores.map(({ id, name }) => (
          <option key={id} value={`store:${id}`}>
            {name}
          </option>
        ))}
      </optgroup>
    </select>
  );
}
