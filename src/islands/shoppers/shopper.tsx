import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { idInAddress } from '../../contracts/index.ts';
import { type LensView, lensQuery, SHOPPER_PREFIX, type ShopperView } from '../../contracts/view/index.ts';
import { Notice } from '../../ui/pieces/index.ts';
import { dateWords, saidAmount, saidCount, shortMoment, timeIn } from '../../ui/writing/index.ts';
import { ask, type Doing, refusalWords, useDoing, WithServer } from '../server/index.ts';
import { Cards } from './cards.tsx';
import { DetailsForm, saidOf } from './details-form.tsx';
import { ShopperRows } from './find-shoppers.tsx';
import { calledWords, kindWords } from './shopper-words.ts';
import { TermsForm } from './terms-form.tsx';
import { TheirDeals } from './their-deals.tsx';
import { WhatIsKept } from './what-is-kept.tsx';

interface Props {
  readonly shopper: ShopperView;
  readonly view: LensView;
}

/** All of one shopper, or of an account. */
export function ShopperDesk(props: Props) {
  return (
    <WithServer>
      <Desk {...props} />
    </WithServer>
  );
}

function Desk({ shopper: first, view }: Props) {
  const path = `/api/shoppers/${idInAddress(first.id)}`;
  const key = ['shoppers', first.id];
  const { data: shopper } = useQuery({
    queryKey: key,
    queryFn: () => ask<ShopperView>(path),
    initialData: first,
    staleTime: 60_000,
  });
  const work = useDoing(key);
  const [wiped, setWiped] = useState(false);
  const query = lensQuery(view.lens);
  if (wiped)
    return (
      <p className="mt-4" role="status">
        Nothing is kept of {first.id} any more.{' '}
        <a className="link" href={`/stockroom/shopper${query}`}>
          To the shoppers
        </a>
      </p>
    );
  return (
    <>
      <h1 className="text-3xl break-words">{calledWords(shopper)}</h1>
      <p className="quiet">{factWords(shopper)}</p>
      <p role="status" className="mt-1 text-sm empty:hidden">
        {work.said}
      </p>
      {work.refusal?.faults.every(({ path: at }) => at !== '/card') ? (
        <Notice tone="trouble">{refusalWords(work.refusal)}</Notice>
      ) : null}
      <div className="mt-4 grid grid-cols-[minmax(0,1fr)] gap-x-12 gap-y-8 lg:grid-cols-[minmax(0,1fr)_minmax(0,24rem)]">
        <div className="space-y-8">
          <Prices shopper={shopper} view={view} work={work} path={path} />
          <TheirDeals promotions={shopper.promotions} query={query} />
          {shopper.people.length > 0 ? (
            <section aria-label="Its people" className="text-sm">
              <h2 className="text-xl">Its people</h2>
              <ShopperRows shoppers={shopper.people} query={query} />
            </section>
          ) : null}
        </div>
        {shopper.since === null ? null : (
          <div className="space-y-8">
            <Details shopper={shopper} work={work} path={path} />
            <Cards cards={shopper.cards} path={path} work={work} />
            <Orders shopper={shopper} view={view} />
            <WhatIsKept id={shopper.id} path={path} work={work} onWiped={() => setWiped(true)} />
          </div>
        )}
      </div>
    </>
  );
}

const factWords = (shopper: ShopperView): string =>
  [
    `number ${shopper.id}`,
    kindWords(shopper),
    ...(shopper.since === null ? [] : [`since ${dateWords(shopper.since.slice(0, 10))}`]),
    `${saidCount(shopper.orders)} ${shopper.orders === 1 ? 'receipt' : 'receipts'} so far, ${saidAmount(shopper.spent)} ${shopper.currency}`,
  ].join(' · ');

function Prices({
  shopper,
  view,
  work,
  path,
}: {
  shopper: ShopperView;
  view: LensView;
  work: Doing;
  path: string;
}) {
  const theirs = lensQuery({ ...view.lens, shopper: `${SHOPPER_PREFIX}${shopper.id}` });
  const keep = (terms: { account: string | null; priceList: string | null }) =>
    work.doing(async () => {
      const { waits } = await ask<{ waits: number | null }>(`${path}/terms`, { method: 'POST', body: terms });
      return waits === null
        ? 'The terms are kept. They reach the tills with what is sent next.'
        : 'The terms change prices: they wait for approval.';
    });
  return (
    <section aria-label="Their prices">
      <h2 className="text-xl">Their prices</h2>
      <p className="mt-1 text-sm">
        {shopper.lists.length === 0
          ? 'The public ones: no price list is theirs.'
          : 'The lowest of these lists, each with whence they have it; none of them is public.'}
      </p>
      <ul className="text-sm">
        {shopper.lists.map(({ name, from }) => (
          <li key={`${name} ${from}`}>
            <b className="font-medium">{name}</b> <span className="quiet">through {from}</span>
          </li>
        ))}
      </ul>
      <TermsForm
        key={`${shopper.account?.id} ${shopper.priceList}`}
        shopper={shopper}
        busy={work.busy}
        onKeep={keep}
      />
      <p className="mt-3 flex flex-wrap gap-x-5 text-sm leading-7">
        <a className="link" href={`/check/price${theirs}`}>
          A price as they pay it
        </a>
        <a className="link" href={`/check/basket${theirs}`}>
          A basket as they pay it
        </a>
        <a className="link" href={`/check${theirs}`}>
          All their prices
        </a>
      </p>
    </section>
  );
}

function Details({ shopper, work, path }: { shopper: ShopperView; work: Doing; path: string }) {
  const { name, email, ownGroups } = shopper;
  const standing = { name: name ?? '', email: email ?? '', groups: ownGroups };
  const [draft, setDraft] = useState<typeof standing | null>(null);
  if (!draft)
    return (
      <section aria-label="Who they are" className="text-sm">
        <h2 className="text-xl">Who they are</h2>
        <p className="mt-1">
          {name ?? 'No name is kept'}
          <br />
          {email ?? 'No e-mail is kept'}
        </p>
        <button type="button" className="btn btn-sm mt-2" onClick={() => setDraft(standing)}>
          Change this
        </button>
      </section>
    );
  const keep = () =>
    work.doing(async () => {
      await ask(path, { method: 'PUT', body: saidOf(draft) });
      setDraft(null);
      return 'Kept.';
    });
  return (
    <DetailsForm
      label="Who they are"
      draft={draft}
      groups={shopper.choices.groups}
      refusal={work.refusal}
      onDraft={setDraft}
      onKeep={keep}
    >
      <p className="flex gap-2">
        <button type="submit" className="btn btn-primary btn-sm" disabled={work.busy}>
          Keep this
        </button>
        <button
          type="button"
          className="btn btn-sm"
          onClick={() => {
            work.forgetRefusal();
            setDraft(null);
          }}
        >
          Leave it
        </button>
      </p>
    </DetailsForm>
  );
}

function Orders({ shopper: { orderList, currency }, view }: { shopper: ShopperView; view: LensView }) {
  if (orderList.length === 0) return null;
  return (
    <section aria-label="Receipts" className="text-sm">
      <h2 className="text-xl">Newest receipts</h2>
      <ul className="mt-1">
        {orderList.map(({ at, terminal, paid }) => (
          <li key={`${at} ${terminal}`} className="hairline flex justify-between gap-4 border-b py-1">
            <span>
              {shortMoment(timeIn(view.store.timeZone, at), view.now)}, till {terminal}
            </span>
            <span className="tabular-nums">
              {saidAmount(paid)} {currency}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}
