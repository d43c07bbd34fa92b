import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import {
  type Choices,
  GROUP_PREFIX,
  type Lens,
  type LensView,
  lensQuery,
  SHOPPER_PREFIX,
  shopperNumberIn,
} from '../../contracts/view/index.ts';
import { keepBeforeLeaving, withOwnQuery } from '../../ui/leaving.ts';
import { Part, PickList, WhenUsed } from '../../ui/pieces/index.ts';
import { shortMoment, zoneWords } from '../../ui/writing/index.ts';
import { DayField } from '../days/index.ts';
import { ask, WithServer } from '../server/index.ts';
import { FIND_SHOPPER } from '../shoppers/index.ts';

/** The same page through another lens; what else its address says stays. */
async function look(lens: Lens): Promise<void> {
  await keepBeforeLeaving();
  location.assign(withOwnQuery(location.pathname + lensQuery(lens), location.search));
}

interface LensBarProps {
  readonly view: LensView;
  /** Whether the page looks at all stores where the lens names none; others then look at the first one. */
  readonly everywhere?: boolean;
  /** Whether the page can show the plan as it was known at another time. */
  readonly looksBack?: boolean;
}

export function LensBar(props: LensBarProps) {
  return (
    <WithServer>
      <Sentence {...props} />
    </WithServer>
  );
}

/** The lens as a sentence: where, when and for whom prices are looked at. */
function Sentence({ view, everywhere = false, looksBack = false }: LensBarProps) {
  const { lens, store, at, now, shopper, known } = view;
  return (
    <p className="font-serif text-[1.05rem] leading-7">
      <span className="quiet">Looking at </span>
      <Part name="Look where" words={placeWords(view, everywhere)}>
        {() => <Where lens={lens} everywhere={everywhere} />}
      </Part>
      <span className="quiet">, </span>
      <Part name="Look when" words={lens.at ? shortMoment(at, now) : `now, ${shortMoment(at, now)}`}>
        {() => <When lens={lens} at={at} />}
      </Part>
      <span className="quiet">, as </span>
      <Part name="Look as whom" words={shopper ? shopper.name : 'a guest'}>
        {() => <ForWhom lens={lens} />}
      </Part>
      {looksBack ? (
        <>
          <span className="quiet">, as known </span>
          <Part name="Look as known when" words={known ? `on ${shortMoment(known, now)}` : 'now'}>
            {() => <AsKnown lens={lens} known={known ?? now} />}
          </Part>
        </>
      ) : null}
      <span className="quiet ml-2 whitespace-nowrap font-sans text-sm">{zoneWords(store.timeZone)}</span>
    </p>
  );
}

const placeWords = ({ lens, group, store }: LensView, everywhere: boolean): string =>
  group
    ? `${group.name} (${group.stores.length})`
    : everywhere && lens.where === null
      ? 'all stores'
      : store.name;

const useChoices = () =>
  useQuery({ queryKey: ['choices'], queryFn: () => ask<Choices>('/api/choices'), staleTime: 300_000 });

function Loading({ failed }: { failed: boolean }) {
  return (
    <span className="quiet text-sm" role="status">
      {failed ? 'The list could not be read. Close this and try again.' : 'Reading …'}
    </span>
  );
}

const EVERYWHERE = 'everywhere';

function Where({ lens, everywhere }: { lens: Lens; everywhere: boolean }) {
  const { data, isError } = useChoices();
  if (!data) return <Loading failed={isError} />;
  const options = [
    ...(everywhere ? [{ value: EVERYWHERE, label: 'All stores', kind: 'Together' }] : []),
    ...data.storeGroups.map(({ id, name }) => ({
      value: GROUP_PREFIX + id,
      label: name,
      kind: 'Store groups',
    })),
    ...data.stores.map(({ id, name, timeZone }) => ({
      value: id,
      label: name,
      note: zoneWords(timeZone),
      kind: 'Stores',
    })),
  ];
  return (
    <PickList
      name="Stores and groups"
      options={options}
      chosen={[lens.where ?? EVERYWHERE]}
      onPick={(where) => look({ ...lens, where: where === EVERYWHERE ? null : where })}
    />
  );
}

function When({ lens, at }: { lens: Lens; at: string }) {
  const [text, setText] = useState(at.slice(0, 16));
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        look({ ...lens, at: text || null });
      }}
    >
      <span className="block text-sm">
        <DayField label="Date and hour at the store" hours required value={text} onChange={setText} />
      </span>
      <span className="mt-2 flex gap-2">
        <button type="submit" className="btn btn-primary btn-sm">
          Look then
        </button>
        <button type="button" className="btn btn-sm" onClick={() => look({ ...lens, at: null })}>
          Now
        </button>
      </span>
    </form>
  );
}

/** Prices as they were to be by what was planned at another time, whatever was changed since. */
function AsKnown({ lens, known }: { lens: Lens; known: string }) {
  const [text, setText] = useState(known.slice(0, 16));
  const { known: _, ...asNow } = lens;
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        look({ ...asNow, known: text });
      }}
    >
      <span className="block text-sm">
        <DayField label="As it was planned on" hours required value={text} onChange={setText} />
      </span>
      <span className="quiet mt-1 block max-w-72 text-sm">
        Promotions, prices, goods, groups and stores as they stood then: what was changed later does not
        count.
      </span>
      <span className="mt-2 flex gap-2">
        <button type="submit" className="btn btn-primary btn-sm">
          Look back
        </button>
        <button type="button" className="btn btn-sm" onClick={() => look(asNow)}>
          As known now
        </button>
      </span>
    </form>
  );
}

const GUEST = 'guest';

function ForWhom({ lens }: { lens: Lens }) {
  const { data, isError } = useChoices();
  if (!data) return <Loading failed={isError} />;
  const options = [
    { value: GUEST, label: 'A guest', note: 'known to nobody', kind: 'Shoppers' },
    ...data.shopperGroups.map(({ id, name }) => ({ value: `group ${id}`, label: name, kind: 'Shoppers' })),
  ];
  const number = shopperNumberIn(lens.shopper);
  return (
    <>
      <PickList
        name="Kinds of shopper"
        options={options}
        chosen={[lens.shopper === null ? GUEST : number === null ? `group ${lens.shopper}` : '']}
        onPick={(value) => look({ ...lens, shopper: value === GUEST ? null : value.slice('group '.length) })}
      />
      {data.findsShoppers ? (
        <div className="hairline mt-2 border-t pt-2">
          <WhenUsed
            part={FIND_SHOPPER}
            given={{ onPick: ({ id }) => look({ ...lens, shopper: `${SHOPPER_PREFIX}${id}` }) }}
          />
        </div>
      ) : null}
    </>
  );
}
