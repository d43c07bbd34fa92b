import { useCallback, useReducer } from 'react';
import { type LensView, lensQuery } from '../../contracts/view/index.ts';
import { dayNumber, formatLocalDate, parseLocalDate } from '../../core/calendar/index.ts';
import { Notice } from '../../ui/pieces/index.ts';
import { dateWords, saidCount } from '../../ui/writing/index.ts';
import { DayField } from '../days/index.ts';
import { useChoices } from '../selection/index.ts';
import { ask, refusalOf, useSame, WithServer } from '../server/index.ts';
import { type SheetOutcome, Worksheet } from '../worksheet/index.ts';
import { type Entered, editsOf, repriceAfter, repriceDeskOf, type WrittenPrices } from './desk.ts';
import { ScopeChoice, ScopeOptions } from './scope-choice.tsx';
import { useKeptForNow } from './use-kept-for-now.ts';

export function Reprice({ view }: { view: LensView }) {
  return (
    <WithServer>
      <Desk view={view} />
    </WithServer>
  );
}

const tomorrow = (at: string): string => formatLocalDate(dayNumber(parseLocalDate(at.slice(0, 10))! + 1));

/** Regular prices entered ahead: a worksheet whose prices hold from a day on, each made from the row it replaces. */
function Desk({ view }: { view: LensView }) {
  const choices = useChoices();
  const [desk, tell] = useReducer(repriceAfter, tomorrow(view.at), repriceDeskOf);
  const { since, scope, fresh, carry, sheet, rows, entered } = desk;
  const put = (part: Partial<WrittenPrices>) => tell({ type: 'written', part });
  useKeptForNow({ since, scope, fresh, carry, sheet }, put);
  const onPrices = useCallback((outcome: SheetOutcome) => tell({ type: 'priced', outcome }), []);
  const frame = useSame({ id: 'reprice', when: { from: `${since}T00:00` } });
  const repricing = useSame({ since, scope, fresh: fresh && 'ids' in scope, carry });
  if (!choices.data) return <p className="quiet mt-4">Reading the chain …</p>;
  const count = rows.length;
  const isDay = parseLocalDate(since) !== null;

  async function save() {
    tell({ type: 'asked' });
    try {
      const body = { edits: editsOf(desk), drops: [], overwrite: true };
      const path = '/api/stockroom/prices';
      const { waits } = await ask<{ waits: number | null }>(path, { method: 'POST', body });
      tell({ type: 'entered', waits: waits !== null });
    } catch (error) {
      tell({ type: 'refused', refusal: refusalOf(error) });
    }
  }

  return (
    <>
      <p className="mt-2 flex flex-wrap items-center gap-x-2 gap-y-1 font-serif text-xl">
        From
        <span className="inline-block w-44 font-sans text-sm">
          <DayField
            label="From which day on"
            labelShown={false}
            value={since}
            onChange={(day) => put({ since: day })}
          />
        </span>
        on, make anew
        <ScopeChoice choices={choices.data} scope={scope} onChange={(next) => put({ scope: next })} />
      </p>
      <ScopeOptions
        scope={scope}
        {...{ fresh, carry }}
        onFresh={(on) => put({ fresh: on })}
        onCarry={(on) => put({ carry: on })}
      />
      {isDay ? (
        <Worksheet
          frame={frame}
          sheet={sheet}
          saved={null}
          choices={choices.data}
          view={view}
          locked={false}
          fileName="regular-prices"
          repricing={repricing}
          onChange={(next) => put({ sheet: next })}
          onPrices={onPrices}
        />
      ) : (
        <p className="mt-4 text-error">Choose the day from which on they count.</p>
      )}
      {entered.kind === 'refused' ? (
        <Notice tone="trouble">
          {entered.refusal.message}{' '}
          {entered.refusal.faults
            .slice(0, 5)
            .map(({ message }) => message)
            .join('; ')}
        </Notice>
      ) : null}
      <p className="mt-5 flex flex-wrap items-center gap-3">
        <button
          type="button"
          className="btn btn-primary btn-sm"
          disabled={count === 0 || !isDay}
          onClick={save}
        >
          Enter {count === 0 ? 'them' : count === 1 ? 'this price' : `these ${saidCount(count)} prices`}
        </button>
        <span role="status" className="text-sm">
          {entered.kind === 'entered' ? (
            <EnteredWords entered={entered} query={lensQuery(view.lens)} />
          ) : null}
        </span>
      </p>
    </>
  );
}

/** How many were entered, and where they are seen. */
function EnteredWords({
  entered: { count, since, waits },
  query,
}: {
  entered: Extract<Entered, { kind: 'entered' }>;
  query: string;
}) {
  return (
    <>
      {saidCount(count)} regular {count === 1 ? 'price' : 'prices'} from {dateWords(since)} on:{' '}
      {waits ? 'written, and waiting for approval.' : 'entered.'}{' '}
      <a className="link" href={`/stockroom/${waits ? 'waiting' : 'prices'}${query}`}>
        {waits ? 'See what waits' : 'See them in the table'}
      </a>
    </>
  );
}
