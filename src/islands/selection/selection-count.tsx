import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { SelectionView } from '../../contracts/view/index.ts';
import { saidAmount, saidCount } from '../../ui/writing/index.ts';
import { ask, refusalOf, useResting, useSame } from '../server/index.ts';
import type { Rule } from './selection.tsx';

const RESTING = 200;

/** How many a rule selects, which, and what will be different in a week; asked again whenever the rule rests. */
export function SelectionCount({
  of,
  rule,
  looking,
  wordsOf,
}: {
  of: 'items' | 'stores';
  rule: Rule;
  looking: { readonly store: string; readonly at: string };
  wordsOf: (rule: Rule) => string;
}) {
  const [text, setText] = useState('');
  const [open, setOpen] = useState(false);
  const asked = useResting(useSame({ of, rule, text, ...looking }), RESTING);
  const { data, error, isFetching } = useQuery({
    queryKey: ['selection', asked],
    queryFn: ({ signal }) => ask<SelectionView>('/api/selection', { method: 'POST', body: asked }, signal),
    placeholderData: (before) => before,
    retry: false,
  });
  if (error)
    return (
      <span className="mt-2 block text-error" role="alert">
        {refusalOf(error)
          .faults.map(({ message }) => message)
          .join('; ') || refusalOf(error).message}
      </span>
    );
  if (!data) return <span className="quiet mt-2 block">Counting …</span>;
  const one = of === 'items' ? 'item' : 'store';
  return (
    <span className="mt-2 block border-base-300 border-t pt-2" aria-busy={isFetching}>
      <span className="flex flex-wrap items-baseline gap-x-3" role="status">
        <span>
          <span className="font-serif text-xl">{saidCount(data.count)}</span>{' '}
          {data.count === 1 ? one : `${one}s`}
          {data.carriedHere !== null ? (
            <span className="quiet">, {saidCount(data.carriedHere)} carried here</span>
          ) : null}
        </span>
        <button type="button" className="link" aria-expanded={open} onClick={() => setOpen(!open)}>
          {open ? 'hide them' : 'show them'}
        </button>
      </span>
      {data.count === 0 ? <span className="block text-error">This selects nothing.</span> : null}
      {data.emptyParts.length > 0 && data.count > 0 ? (
        <span className="block text-error">
          Nothing is in {data.emptyParts.map((part) => wordsOf(part)).join(', nor in ')}.
        </span>
      ) : null}
      <NextWeek view={data} />
      {open ? (
        <span className="mt-1 block">
          <input
            className="input input-xs w-full"
            aria-label="Find among them"
            placeholder="Find among them"
            value={text}
            onChange={(event) => setText(event.target.value)}
          />
          <span className="mt-1 block max-h-48 overflow-y-auto">
            {data.listed.map(({ id, name, note }) => (
              <span key={id} className="flex gap-2 border-base-300 border-b py-0.5">
                <span className="flex-1">{name}</span>
                <span className="quiet tabular-nums">{saidAmount(note)}</span>
              </span>
            ))}
            {data.found > data.listed.length ? (
              <span className="quiet block py-1">and {data.found - data.listed.length} more</span>
            ) : null}
          </span>
        </span>
      ) : null}
    </span>
  );
}

function NextWeek({ view: { nextWeek } }: { view: SelectionView }) {
  if (!nextWeek) return null;
  const { count, joining, leaving } = nextWeek;
  if (joining.length + leaving.length === 0) return null;
  const some = (list: typeof joining) =>
    `${list
      .slice(0, 2)
      .map(({ name }) => name)
      .join(', ')}${list.length > 2 ? ` and ${list.length - 2} more` : ''}`;
  return (
    <span className="block">
      In a week it would be {saidCount(count)}:
      {joining.length > 0 ? ` ${some(joining)} ${joining.length === 1 ? 'joins' : 'join'}` : ''}
      {joining.length > 0 && leaving.length > 0 ? ';' : ''}
      {leaving.length > 0 ? ` ${some(leaving)} ${leaving.length === 1 ? 'leaves' : 'leave'}` : ''}.
    </span>
  );
}
