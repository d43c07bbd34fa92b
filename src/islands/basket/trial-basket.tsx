import { useEffect, useState } from 'react';
import { type LensView, lensQuery } from '../../contracts/view/index.ts';
import { Notice } from '../../ui/pieces/index.ts';
import { shortMoment } from '../../ui/writing/index.ts';
import { ItemSearch } from '../check/index.ts';
import { refusalOf, useResting, WithServer } from '../server/index.ts';
import { basketAddress, basketDocument, type TypedBasket, typedBasketOf } from './basket-address.ts';
import { Elsewhere } from './elsewhere.tsx';
import { ExtraFields } from './extra-fields.tsx';
import { KeptChecks } from './kept-checks.tsx';
import { withMore } from './lines.ts';
import { LinesTable } from './lines-table.tsx';
import { Receipt } from './receipt.tsx';
import { useRung } from './use-rung.ts';

export interface TrialBasketProps {
  readonly view: LensView;
  /** The query of the address. */
  readonly search: string;
  readonly plans: boolean;
}

export function TrialBasketDesk(props: TrialBasketProps) {
  return (
    <WithServer>
      <Desk {...props} />
    </WithServer>
  );
}

const TYPING = 200;

/** A basket to try: goods on the left, beside them the receipt as the till would print it, and how it came about. */
function Desk({ view, search, plans }: TrialBasketProps) {
  const [typed, setTyped] = useState<TypedBasket>(() => typedBasketOf(search));
  const { lines, extras, till } = typed;
  useEffect(() => {
    const here = basketAddress(view.lens, typed);
    if (location.pathname + location.search !== here) history.replaceState(null, '', here);
  }, [typed, view.lens]);
  const resting = useResting(typed, TYPING);
  const basket = { ...basketDocument(resting, view.store.id, view.lens.shopper), at: view.at };
  const rung = useRung(resting.lines.length > 0 ? basket : null, view.lens, till);
  const put = (next: TypedBasket['lines']) => setTyped({ ...typed, lines: next });
  const refusal = rung.error ? refusalOf(rung.error) : null;
  const data = lines.length > 0 ? rung.data : undefined;
  return (
    <>
      <p className="quiet mt-1 text-sm">
        As rung in {view.store.name}, {shortMoment(view.at, view.now)},{' '}
        {view.shopper ? `for ${view.shopper.name}` : 'for a guest'}
        {till ? (
          <>
            , by the price file that <b>{till}</b> held then.{' '}
            <button type="button" className="link" onClick={() => setTyped({ lines, extras })}>
              By the plan
            </button>
          </>
        ) : null}
      </p>
      <div className="mt-4 grid grid-cols-[minmax(0,1fr)] gap-x-12 gap-y-8 lg:grid-cols-[minmax(0,1fr)_minmax(0,26rem)]">
        <div>
          <ItemSearch
            known={view.lens.known}
            onPick={(sku) => put(withMore(lines, sku, 1))}
            startOpen={lines.length === 0}
          />
          {lines.length === 0 ? (
            <p className="quiet mt-4">
              Put goods in by name or barcode; what a shopper would pay for them stands beside at once.
              Nothing is sold.
            </p>
          ) : (
            <LinesTable lines={lines} rung={data} onLines={put} />
          )}
          <ExtraFields extras={extras} onExtras={(next) => setTyped({ ...typed, extras: next })} />
          {refusal ? (
            <Notice tone="trouble" className="mt-4 text-sm">
              <p>{refusal.message}</p>
              <ul>
                {refusal.faults.map(({ path, message }) => (
                  <li key={path}>{message}</li>
                ))}
              </ul>
            </Notice>
          ) : null}
          {view.known || till ? null : (
            <KeptChecks view={view} typed={typed} rung={refusal ? undefined : data} plans={plans} />
          )}
        </div>
        {data && !refusal ? (
          <div className="space-y-7">
            <Receipt
              trial={data}
              query={lensQuery(view.lens)}
              busy={rung.isFetching}
              onAdd={(sku, more) => put(withMore(lines, sku, more))}
            />
            {till ? null : <Elsewhere view={view} typed={resting} here={data} />}
          </div>
        ) : null}
      </div>
    </>
  );
}
