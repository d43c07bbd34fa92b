import { useState } from 'react';
import type { Choices, LensView, TrialBasket } from '../../contracts/view/index.ts';
import { dayNumber, formatLocalDate, parseLocalDate } from '../../core/calendar/index.ts';
import { currencyOf, formatAmount, minorUnits, parseAmount } from '../../core/money/index.ts';
import type { ReceiptDocument } from '../../core/receipt/index.ts';
import { saidAmount, shortMoment } from '../../ui/writing/index.ts';
import { DayField } from '../days/index.ts';
import { useChoices } from '../selection/index.ts';
import { refusalOf } from '../server/index.ts';
import { basketDocument, type TypedBasket } from './basket-address.ts';
import { PrintedReceipt } from './receipt.tsx';
import { useRung } from './use-rung.ts';

/** The same basket at another date or store, beside the first. */
export function Elsewhere({ view, typed, here }: { view: LensView; typed: TypedBasket; here: TrialBasket }) {
  const [asked, setAsked] = useState<{ store: string; at: string } | null>(null);
  const choices = useChoices();
  if (!asked)
    return (
      <p className="text-sm">
        <button
          type="button"
          className="link"
          onClick={() => setAsked({ store: view.store.id, at: nextDay(view.at) })}
        >
          Ring it at another date or store, beside this one
        </button>
      </p>
    );
  return (
    <section aria-label="The same basket elsewhere">
      <h2 className="text-xl">Elsewhere</h2>
      <Where asked={asked} choices={choices.data} onAsk={setAsked} />
      <Rung asked={asked} view={view} typed={typed} here={here} />
    </section>
  );
}

/** The same hour a day later: the nearest other moment that says something. */
const nextDay = (at: string): string =>
  `${formatLocalDate(dayNumber(parseLocalDate(at.slice(0, 10))! + 1))}${at.slice(10, 16)}`;

function Where({
  asked,
  choices,
  onAsk,
}: {
  asked: { store: string; at: string };
  choices: Choices | undefined;
  onAsk: (asked: { store: string; at: string } | null) => void;
}) {
  return (
    <div className="mt-1 flex flex-wrap items-end gap-3 text-sm">
      <label className="flex flex-col">
        Store
        <select
          className="select select-sm mt-0.5 w-52"
          value={asked.store}
          onChange={(event) => onAsk({ ...asked, store: event.target.value })}
        >
          {(choices?.stores ?? []).map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </select>
      </label>
      <DayField
        label="Date and hour there"
        hours
        value={asked.at}
        onChange={(at) => at && onAsk({ ...asked, at })}
      />
      <button type="button" className="btn btn-ghost btn-sm" onClick={() => onAsk(null)}>
        Only here
      </button>
    </div>
  );
}

function Rung({
  asked: { store, at },
  view,
  typed,
  here,
}: {
  asked: { store: string; at: string };
  view: LensView;
  typed: TypedBasket;
  here: TrialBasket;
}) {
  const basket = { ...basketDocument(typed, store, view.lens.shopper), at };
  const { data, error } = useRung(basket, view.lens);
  if (error) return <p role="alert">{refusalOf(error).message}</p>;
  if (!data) return <p className="quiet mt-2 text-sm">Ringing it there …</p>;
  const more = differenceOf(data.receipt, here.receipt);
  return (
    <>
      <p className="mt-2 mb-2 text-sm" role="status">
        {more ?? 'It costs the same there'}, {shortMoment(at, view.now)}.
      </p>
      <PrintedReceipt trial={data} name="Receipt elsewhere" />
    </>
  );
}

/** "1.20 dearer there"; null where both cost the same. */
function differenceOf(there: ReceiptDocument, here: ReceiptDocument): string | null {
  const currency = currencyOf(here.currency)!;
  const more = parseAmount(there.total, currency)! - parseAmount(here.total, currency)!;
  if (more === 0) return null;
  return `${saidAmount(formatAmount(minorUnits(Math.abs(more)), currency))} ${more > 0 ? 'dearer' : 'cheaper'} there`;
}
