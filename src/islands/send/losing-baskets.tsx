import { useQuery } from '@tanstack/react-query';
import {
  type KeptLoophole,
  type KeptLoopholes,
  type LensView,
  lensQuery,
} from '../../contracts/view/index.ts';
import { saidAmount, saidCount, shortMoment } from '../../ui/writing/index.ts';
import { basketAddress, NO_EXTRAS } from '../basket/index.ts';
import { ask } from '../server/index.ts';

const SHOWN = 3;
const ASK_AGAIN = 500;

/** Baskets that would lose money by what would go out. */
export function LosingBaskets({ going, lens }: { going: ReadonlySet<string>; lens: LensView }) {
  const { data } = useQuery({
    queryKey: ['kept-loopholes'],
    queryFn: ({ signal }) => ask<KeptLoopholes>('/api/loopholes/kept', undefined, signal),
    retry: false,
    refetchInterval: (query) => (query.state.data?.found === null ? ASK_AGAIN : false),
  });
  if (data?.found === null)
    return (
      <p className="quiet mt-3 text-sm" role="status">
        Searching for baskets that would lose money since the plan has changed …
      </p>
    );
  const found = (data?.found ?? []).filter(({ loophole }) =>
    loophole.promotions.some(({ id }) => going.has(id)),
  );
  if (!data || found.length === 0) return null;
  return (
    <section aria-label="Baskets that would lose money" className="mt-4">
      <h3 className="font-semibold">
        {found.length === 1
          ? 'A basket would lose money'
          : `${saidCount(found.length)} baskets would lose money`}{' '}
        by what would go out
      </h3>
      <ul className="text-sm leading-7">
        {found.slice(0, SHOWN).map((one) => (
          <Losing key={JSON.stringify(one.loophole.promotions)} {...{ one, lens }} currency={data.currency} />
        ))}
      </ul>
      <a className="link text-sm" href={`/check/loopholes${lensQuery({ ...lens.lens, at: found[0]!.at })}`}>
        Search for all of them
      </a>
    </section>
  );
}

function Losing({ one, currency, lens }: { one: KeptLoophole; currency: string; lens: LensView }) {
  const { loophole, store, stores, at } = one;
  const address = basketAddress(
    { where: store.id, at, shopper: null },
    {
      lines: loophole.lines.map(({ sku, quantity }) => ({ sku, quantity: String(quantity) })),
      extras: { ...NO_EXTRAS, codes: loophole.codes.join(', ') },
    },
  );
  return (
    <li>
      <a className="link" href={address}>
        {loophole.lines.map(({ name, quantity }) => `${saidCount(quantity)} × ${name}`).join(', ')}
      </a>{' '}
      loses{' '}
      <b className="tabular-nums">
        {saidAmount(loophole.margin.slice(1))} {currency}
      </b>{' '}
      by {loophole.promotions.map(({ name }) => name).join(', ')}
      <span className="quiet">
        , {shortMoment(at, lens.now)} in {store.name}
        {stores > 1 ? ` and ${saidCount(stores - 1)} more` : ''}
      </span>
    </li>
  );
}
