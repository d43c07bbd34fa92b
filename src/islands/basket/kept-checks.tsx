import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { readDecimal } from '../../contracts/table/index.ts';
import type { BasketCheckView, CheckMoment, LensView, TrialBasket } from '../../contracts/view/index.ts';
import { WEEKDAYS, type Weekday } from '../../core/calendar/index.ts';
import { checkMomentWords, resultWords, wantedWords } from '../../ui/words/index.ts';
import { asTyped, writing } from '../../ui/writing/index.ts';
import { ask, type Refusal, readAnew, refusalOf } from '../server/index.ts';
import { basketDocument, checkPath, type TypedBasket } from './basket-address.ts';

const CHECKS = '/api/basket-checks';

/** Baskets that are rung again whenever the plan changes, and the way to keep one. */
export function KeptChecks({
  view,
  typed,
  rung,
  plans,
}: {
  view: LensView;
  typed: TypedBasket;
  rung: TrialBasket | undefined;
  plans: boolean;
}) {
  const client = useQueryClient();
  const checks = useQuery({ queryKey: ['basket-checks'], queryFn: () => ask<BasketCheckView[]>(CHECKS) });
  const again = () => readAnew(client, { queryKey: ['basket-checks'] });
  const drop = async (id: number) => {
    await ask(`${CHECKS}/${id}`, { method: 'DELETE', body: {} });
    await again();
  };
  const kept = checks.data ?? [];
  return (
    <section className="mt-8">
      <h2 className="text-xl">Kept as checks</h2>
      <p className="quiet text-sm">Rung again whenever the plan changes; one that fails stands on Today.</p>
      {kept.length === 0 ? <p className="quiet mt-1 text-sm">None yet.</p> : null}
      <ul>
        {kept.map((check) => (
          <li key={check.id} className="hairline flex items-baseline gap-3 border-b py-1.5 text-sm">
            <span className="flex-1">
              <a className="link" href={checkPath(check)}>
                {check.name}
              </a>{' '}
              <span className={check.result.holds ? '' : 'text-error'}>
                {resultWords(check)}: {check.result.holds ? 'holds' : 'fails'}
              </span>
              <span className="quiet block">
                {wantedWords(check)}, in {check.storeName}, {checkMomentWords(check.moment, view.now)}
              </span>
            </span>
            {plans ? (
              <button type="button" className="link" onClick={() => drop(check.id)}>
                throw away<span className="sr-only"> {check.name}</span>
              </button>
            ) : null}
          </li>
        ))}
      </ul>
      {plans && rung ? <Keep view={view} typed={typed} rung={rung} onKept={again} /> : null}
    </section>
  );
}

/** Where the lens looks at this very minute: an hour at which people shop. */
const ORDINARY_HOUR = '10:00';

type Wanted = 'atMost' | 'atLeast';

function Keep({
  view,
  typed,
  rung,
  onKept,
}: {
  view: LensView;
  typed: TypedBasket;
  rung: TrialBasket;
  onKept: () => Promise<unknown>;
}) {
  const [name, setName] = useState('');
  const [wanted, setWanted] = useState<Wanted>('atMost');
  // What it comes to, unless something else was typed.
  const [said, setSaid] = useState<string | null>(null);
  const amount = said ?? rung.receipt.total;
  const [next, setNext] = useState<Weekday | 'fixed'>('sat');
  const [time, setTime] = useState(view.lens.at === null ? ORDINARY_HOUR : view.at.slice(11, 16));
  const [refusal, setRefusal] = useState<Refusal | null>(null);
  const moment: CheckMoment = next === 'fixed' ? { at: view.at.slice(0, 16) } : { next, time };
  async function keep(): Promise<void> {
    const basket = basketDocument(typed, view.store.id, view.lens.shopper);
    try {
      await ask(CHECKS, {
        method: 'POST',
        body: { name, basket, moment, [wanted]: readDecimal(asTyped(amount)) ?? amount },
      });
      setRefusal(null);
      setName('');
      await onKept();
    } catch (error) {
      setRefusal(refusalOf(error));
    }
  }
  return (
    <form
      className="mt-4 flex flex-wrap items-end gap-3 text-sm"
      onSubmit={(event) => {
        event.preventDefault();
        void keep();
      }}
    >
      <label className="flex flex-col">
        Keep this basket as
        <input
          className="input input-sm mt-0.5 w-56"
          placeholder="Saturday family basket"
          maxLength={200}
          value={name}
          onChange={(event) => setName(event.target.value)}
        />
      </label>
      <label className="flex flex-col">
        which must cost
        <select
          className="select select-sm mt-0.5 w-28"
          value={wanted}
          onChange={(event) => setWanted(event.target.value as Wanted)}
        >
          <option value="atMost">at most</option>
          <option value="atLeast">at least</option>
        </select>
      </label>
      <label className="flex flex-col">
        {rung.receipt.currency}
        <input
          className="input input-sm mt-0.5 w-24 tabular-nums"
          inputMode="decimal"
          value={amount}
          onChange={(event) => setSaid(event.target.value)}
        />
      </label>
      <label className="flex flex-col">
        rung
        <select
          className="select select-sm mt-0.5 w-36"
          value={next}
          onChange={(event) => setNext(event.target.value as Weekday | 'fixed')}
        >
          {WEEKDAYS.map((day) => (
            <option key={day} value={day}>
              next {writing().weekdays[day]}
            </option>
          ))}
          <option value="fixed">at this moment</option>
        </select>
      </label>
      {next === 'fixed' ? null : (
        <label className="flex flex-col">
          at
          <input
            type="time"
            className="input input-sm mt-0.5 w-28"
            value={time}
            onChange={(event) => event.target.value && setTime(event.target.value)}
          />
        </label>
      )}
      <button type="submit" className="btn btn-sm" disabled={name.trim() === ''}>
        Keep it
      </button>
      {refusal ? (
        <p role="alert" className="w-full text-error">
          {refusal.message} {refusal.faults.map(({ message }) => message).join('; ')}
        </p>
      ) : null}
    </form>
  );
}
