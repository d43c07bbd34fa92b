import { useCallback, useState } from 'react';
import { type LensView, lensQuery } from '../../contracts/view/index.ts';
import { dayNumber, formatLocalDate, parseLocalDate } from '../../core/calendar/index.ts';
import type { WorksheetDocument } from '../../core/plan/index.ts';
import { Notice } from '../../ui/pieces/index.ts';
import { dateWords, saidCount } from '../../ui/writing/index.ts';
import { DayField } from '../days/index.ts';
import { useChoices } from '../selection/index.ts';
import { ask, type Refusal, refusalOf, WithServer } from '../server/index.ts';
import { type SheetOutcome, Worksheet } from '../worksheet/index.ts';
import { type Scope, ScopeChoice, ScopeOptions } from './scope-choice.tsx';
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
  const [since, setSince] = useState(() => tomorrow(view.at));
  const [scope, setScope] = useState<Scope>({ kind: 'every' });
  const [fresh, setFresh] = useState(false);
  const [carry, setCarry] = useState(false);
  const [sheet, setSheet] = useState<WorksheetDocument>({ passes: [] });
  const [rows, setRows] = useState<SheetOutcome['rows']>([]);
  const [refusal, setRefusal] = useState<Refusal | null>(null);
  const [said, setSaid] = useState('');
  const [heldBack, setHeldBack] = useState(false);
  useKeptForNow({ since, scope, fresh, carry, sheet }, (kept) => {
    setSince(kept.since);
    setScope(kept.scope);
    setFresh(kept.fresh);
    setCarry(kept.carry);
    setSheet(kept.sheet);
  });
  const onPrices = useCallback((outcome: SheetOutcome) => {
    setRows(outcome.rows);
    if (outcome.rows.length > 0) setSaid('');
  }, []);
  if (!choices.data) return <p className="quiet mt-4">Reading the chain …</p>;
  const count = rows.length;
  const isDay = parseLocalDate(since) !== null;

  async function save() {
    setRefusal(null);
    const edits = rows.map(({ sku, place, since: later, price }) => ({
      key: null,
      cells: { sku, place, since: later ?? since, price },
    }));
    try {
      const body = { edits, drops: [], overwrite: true };
      const { waits } = await ask<{ waits: number | null }>('/api/stockroom/prices', {
        method: 'POST',
        body,
      });
      const prices = `${saidCount(count)} regular ${count === 1 ? 'price' : 'prices'}`;
      setSaid(
        waits === null
          ? `${prices} from ${dateWords(since)} on: entered.`
          : `${prices} from ${dateWords(since)} on: written, and waiting for approval.`,
      );
      setHeldBack(waits !== null);
      setSheet({ passes: [] });
      setRows([]);
    } catch (error) {
      setRefusal(refusalOf(error));
    }
  }

  return (
    <>
      <p className="mt-2 flex flex-wrap items-center gap-x-2 gap-y-1 font-serif text-xl">
        From
        <span className="inline-block w-44 font-sans text-sm">
          <DayField label="From which day on" labelShown={false} value={since} onChange={setSince} />
        </span>
        on, make anew
        <ScopeChoice choices={choices.data} scope={scope} onChange={setScope} />
      </p>
      <ScopeOptions scope={scope} {...{ fresh, carry }} onFresh={setFresh} onCarry={setCarry} />
      {isDay ? (
        <Worksheet
          frame={{ id: 'reprice', when: { from: `${since}T00:00` } }}
          sheet={sheet}
          saved={null}
          choices={choices.data}
          view={view}
          locked={false}
          fileName="regular-prices"
          repricing={{ since, scope, fresh: fresh && 'ids' in scope, carry }}
          onChange={setSheet}
          onPrices={onPrices}
        />
      ) : (
        <p className="mt-4 text-error">Choose the day from which on they count.</p>
      )}
      {refusal ? (
        <Notice tone="trouble">
          {refusal.message}{' '}
          {refusal.faults
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
          {said}{' '}
          {said ? (
            <a className="link" href={`/stockroom/${heldBack ? 'waiting' : 'prices'}${lensQuery(view.lens)}`}>
              {heldBack ? 'See what waits' : 'See them in the table'}
            </a>
          ) : null}
        </span>
      </p>
    </>
  );
}
