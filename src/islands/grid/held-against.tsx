import { useQuery } from '@tanstack/react-query';
import { useId } from 'react';
import type { Against, Choices, LensView, PromotionSummary } from '../../contracts/view/index.ts';
import { laterPart, WhenUsed } from '../../ui/pieces/index.ts';
import { shortMoment, timeIn } from '../../ui/writing/index.ts';
import { ask } from '../server/index.ts';
import type { GridDesk, GridEvent } from './desk.ts';

const DAY_FIELD = laterPart(() => import('../days/index.ts').then(({ DayField }) => DayField));

const WORDS: Readonly<Record<Against, string>> = {
  date: 'another date',
  known: 'what was known on a date',
  held: 'what the terminals hold',
  shopper: 'another kind of shopper',
  store: 'one store',
  promotion: 'the plan without a draft or change',
};
const NOTHING = '';
const GUEST = '';

/** What the prices of the grid are held against, and which one of its kind. */
export function HeldAgainst({
  desk,
  tell,
  view,
  choices,
}: {
  desk: GridDesk;
  tell: (event: GridEvent) => void;
  view: LensView;
  choices: Choices | undefined;
}) {
  const id = useId();
  const { against, other } = desk;
  const hold = (next: Against | null, value: string | null) =>
    tell({ type: 'held-against', against: next, other: value });
  return (
    <span className="flex flex-wrap items-center gap-2 text-sm">
      <label htmlFor={id}>Held against</label>
      <select
        id={id}
        className="select select-sm w-auto"
        value={against ?? NOTHING}
        onChange={({ target }) => {
          const next = (target.value || null) as Against | null;
          hold(next, next === 'date' ? weekBefore(view.at) : next === 'known' ? dayBefore(view.now) : null);
        }}
      >
        <option value={NOTHING}>nothing</option>
        {(Object.keys(WORDS) as Against[]).map((one) => (
          <option key={one} value={one}>
            {WORDS[one]}
          </option>
        ))}
      </select>
      {against === 'known' && other?.endsWith('Z') ? (
        <>
          {shortMoment(timeIn(view.store.timeZone, other), view.now)}
          <button type="button" className="link" onClick={() => hold('known', dayBefore(view.now))}>
            another
          </button>
        </>
      ) : against === 'date' || against === 'known' ? (
        <WhenUsed
          part={DAY_FIELD}
          given={{
            label: against === 'date' ? 'The other date and hour' : 'Known on which date and hour',
            hours: true,
            required: true,
            labelShown: false,
            small: true,
            value: other ?? '',
            onChange: (value) => hold(against, value || null),
          }}
        />
      ) : null}
      {against === 'shopper' ? (
        <Which
          name="Which kind of shopper"
          value={other ?? GUEST}
          onChoose={(value) => hold('shopper', value || null)}
          options={[{ id: GUEST, name: 'a guest' }, ...(choices?.shopperGroups ?? [])]}
        />
      ) : null}
      {against === 'store' ? (
        <Which
          name="Which store"
          value={other ?? NOTHING}
          onChoose={(value) => hold('store', value || null)}
          options={[{ id: NOTHING, name: 'choose a store' }, ...(choices?.stores ?? [])]}
        />
      ) : null}
      {against === 'promotion' ? (
        <WhichPromotion value={other ?? NOTHING} onChoose={(value) => hold('promotion', value || null)} />
      ) : null}
    </span>
  );
}

function Which({
  name,
  value,
  options,
  onChoose,
}: {
  name: string;
  value: string;
  options: readonly { readonly id: string; readonly name: string }[];
  onChoose: (value: string) => void;
}) {
  return (
    <select
      className="select select-sm w-auto max-w-72"
      aria-label={name}
      value={value}
      onChange={({ target }) => onChoose(target.value)}
    >
      {options.map((one) => (
        <option key={one.id} value={one.id}>
          {one.name}
        </option>
      ))}
    </select>
  );
}

/** Drafts, and changes of promotions that wait beside what stands. */
function WhichPromotion({ value, onChoose }: { value: string; onChoose: (value: string) => void }) {
  const { data, isError } = useQuery({
    queryKey: ['promotions'],
    queryFn: () => ask<PromotionSummary[]>('/api/promotions'),
  });
  const open = (data ?? []).filter(
    ({ kind, status, waiting }) => kind === 'priceChange' && (status === 'draft' || waiting?.change),
  );
  const first = isError
    ? 'the list could not be read'
    : !data
      ? 'reading …'
      : open.length === 0
        ? 'no price change is a draft or waits'
        : 'choose one';
  return (
    <Which
      name="Which draft or change"
      value={value}
      onChoose={onChoose}
      options={[
        { id: NOTHING, name: first },
        ...open.map(({ id, name, status }) => ({
          id,
          name: status === 'draft' ? `${name} (draft)` : `${name} (change)`,
        })),
      ]}
    />
  );
}

const DAY = 86_400_000;

/** The same hour some days before a wall time. */
const daysBefore = (days: number) => (at: string) =>
  new Date(Date.parse(`${at.slice(0, 16)}Z`) - days * DAY).toISOString().slice(0, 16);
const weekBefore = daysBefore(7);
const dayBefore = daysBefore(1);
