import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { type LensView, lensQuery, type TrialBasket } from '../../contracts/view/index.ts';
import { shortMoment } from '../../ui/moment.ts';
import { ItemSearch } from '../check/index.ts';
import { ask, refusalOf, useResting, WithServer } from '../server/index.ts';
import { linesOf, type TrialLine, textOf, withMore } from './lines.ts';
import { Receipt } from './receipt.tsx';

export function TrialBasketDesk(props: { view: LensView; lines: string }) {
  return (
    <WithServer>
      <Desk {...props} />
    </WithServer>
  );
}

const TYPING = 200;

/** A basket to try: goods on the left, beside them the receipt as the till would print it, and how it came about. */
function Desk({ view, lines: first }: { view: LensView; lines: string }) {
  const [lines, setLines] = useState<readonly TrialLine[]>(() => linesOf(first));
  const [codes, setCodes] = useState('');
  const [delivery, setDelivery] = useState('');
  useEffect(() => {
    const here = `/check/basket${lensQuery(view.lens, lines.length > 0 ? { lines: textOf(lines) } : {})}`;
    if (location.pathname + location.search !== here) history.replaceState(null, '', here);
  }, [lines, view.lens]);
  const asked = useResting(
    JSON.stringify({
      store: view.store.id,
      at: view.at,
      ...(view.lens.shopper ? { shopper: { groups: [view.lens.shopper] } } : {}),
      ...(codes.trim() ? { codes: codes.split(/[\s,;]+/).filter(Boolean) } : {}),
      ...(/^\d+(\.\d+)?$/.test(delivery) ? { delivery: { way: 'delivery', charge: delivery } } : {}),
      lines,
    }),
    TYPING,
  );
  const rung = useQuery({
    queryKey: ['basket', asked],
    queryFn: () => ask<TrialBasket>('/api/basket', { method: 'POST', body: JSON.parse(asked) }),
    enabled: lines.length > 0,
    placeholderData: keepPreviousData,
    retry: false,
  });
  const put = (at: number, quantity: string) =>
    setLines(lines.map((line, i) => (i === at ? { ...line, quantity } : line)));
  const refusal = rung.error ? refusalOf(rung.error) : null;
  const { data } = rung;
  return (
    <>
      <div className="flex flex-wrap items-baseline gap-x-6">
        <h1 className="text-3xl">Trial basket</h1>
        <a className="link text-sm" href={`/check${lensQuery(view.lens)}`}>
          One price
        </a>
        <p className="quiet text-sm">
          as rung in {view.store.name}, {shortMoment(view.at, view.now)},{' '}
          {view.shopper ? `for ${view.shopper.name}` : 'for a guest'}
        </p>
      </div>
      <div className="mt-4 grid grid-cols-[minmax(0,1fr)] gap-x-12 gap-y-8 lg:grid-cols-[minmax(0,1fr)_minmax(0,26rem)]">
        <div>
          <ItemSearch onPick={(sku) => setLines(withMore(lines, sku, 1))} startOpen={lines.length === 0} />
          {lines.length === 0 ? (
            <p className="quiet mt-4">
              Put goods in by name or barcode; what a shopper would pay for them stands beside at once.
              Nothing is sold.
            </p>
          ) : (
            <table className="rows mt-4">
              <caption className="sr-only">Goods in the basket</caption>
              <thead>
                <tr>
                  <th>Item</th>
                  <th className="figure">Tag</th>
                  <th>Quantity</th>
                  <th>
                    <span className="sr-only">Take out</span>
                  </th>
                </tr>
              </thead>
              <tbody>
                {lines.map(({ sku, quantity }, i) => {
                  const rungLine = data?.receipt.lines[i]?.sku === sku ? data.receipt.lines[i] : undefined;
                  const name = data?.items[sku] ?? sku;
                  return (
                    <tr key={sku}>
                      <td>{name}</td>
                      <td className="figure">{rungLine?.tag ?? ''}</td>
                      <td>
                        <input
                          className="input input-sm w-20"
                          inputMode="decimal"
                          aria-label={`Quantity of ${name}`}
                          value={quantity}
                          onChange={(event) => put(i, event.target.value.replace(',', '.'))}
                        />
                      </td>
                      <td>
                        <button
                          type="button"
                          className="btn btn-ghost btn-sm"
                          aria-label={`Take out ${name}`}
                          onClick={() => setLines(lines.filter((_, at) => at !== i))}
                        >
                          ×
                        </button>
                      </td>
                    </tr>
                  );
                })}
              </tbody>
            </table>
          )}
          <div className="mt-4 flex flex-wrap gap-4 text-sm">
            <label className="flex flex-col">
              Codes
              <input
                className="input input-sm mt-0.5 w-56"
                value={codes}
                placeholder="several with spaces between"
                onChange={(event) => setCodes(event.target.value)}
              />
            </label>
            <label className="flex flex-col">
              Charge for delivery
              <input
                className="input input-sm mt-0.5 w-40"
                inputMode="decimal"
                value={delivery}
                placeholder="none: taken along"
                onChange={(event) => setDelivery(event.target.value.replace(',', '.'))}
              />
            </label>
          </div>
          {refusal ? (
            <div role="alert" className="mt-4 border-error border-l-4 pl-3 text-sm">
              <p>{refusal.message}</p>
              <ul>
                {refusal.faults.map(({ path, message }) => (
                  <li key={path}>{message}</li>
                ))}
              </ul>
            </div>
          ) : null}
        </div>
        {data && lines.length > 0 && !refusal ? (
          <Receipt
            trial={data}
            query={lensQuery(view.lens)}
            busy={rung.isFetching}
            onAdd={(sku, more) => setLines(withMore(lines, sku, more))}
          />
        ) : null}
      </div>
    </>
  );
}
