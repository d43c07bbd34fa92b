import { useState } from 'react';
import { TERMINAL_TROUBLES, type TerminalCounts, type TerminalsView } from '../../contracts/view/index.ts';
import { ChoiceRow } from '../../ui/pieces/index.ts';
import { TROUBLE_HEADS } from '../../ui/words/index.ts';
import { saidCount } from '../../ui/writing/index.ts';
import type { Asking } from './terminals.tsx';

type Place = TerminalCounts & { readonly id: string; readonly name: string };
type By = 'group' | 'store';

/** So many stores are shown before somebody asks for the others. */
const FIRST = 12;

const CHOICES = [
  { value: 'group', words: 'By store group' },
  { value: 'store', words: 'By store' },
] as const;

/** How the terminals of each store group or store stand, at one glance; pressed, a place or a count is what is looked at. */
export function TerminalsByPlace({ view, asked, onAsk }: Asking & { view: TerminalsView }) {
  const [by, setBy] = useState<By>(view.groups.length > 0 ? 'group' : 'store');
  const [whole, setWhole] = useState(false);
  const stores = view.stores.filter(({ groups }) => !asked.group || groups.includes(asked.group));
  const places: readonly Place[] = by === 'group' ? view.groups : stores;
  const shown = by === 'group' || whole ? places : places.slice(0, FIRST);
  const troubles = TERMINAL_TROUBLES.filter((trouble) => view.counts.troubled[trouble]);
  if (view.stores.length < 2) return null;
  return (
    <>
      <div className="mt-3">
        <ChoiceRow name="How they are summed" choices={CHOICES} chosen={by} onChoose={setBy} />
      </div>
      <table className="rows mt-1 text-sm">
        <caption className="sr-only">Terminals by {by === 'group' ? 'store group' : 'store'}</caption>
        <thead>
          <tr>
            <th>{by === 'group' ? 'Store group' : 'Store'}</th>
            <th className="figure">Terminals</th>
            <th className="figure">Up to date</th>
            {troubles.map((trouble) => (
              <th key={trouble} className="figure">
                {TROUBLE_HEADS[trouble]}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {shown.map((place) => (
            <PlaceRow key={place.id} {...{ place, by, troubles, asked, onAsk }} />
          ))}
        </tbody>
      </table>
      {shown.length < places.length ? (
        <button type="button" className="link mt-2 text-sm" onClick={() => setWhole(true)}>
          Show all {saidCount(places.length)} stores
        </button>
      ) : null}
    </>
  );
}

function PlaceRow({
  place,
  by,
  troubles,
  asked,
  onAsk,
}: Asking & { place: Place; by: By; troubles: readonly (typeof TERMINAL_TROUBLES)[number][] }) {
  const here = asked[by] === place.id;
  const look = (more: Pick<typeof asked, 'trouble'>) => {
    const { find, all, group } = asked;
    const rest = { find, all, ...(by === 'store' ? { group } : {}) };
    const off = here && asked.trouble === more.trouble;
    onAsk(off ? rest : { ...rest, [by]: place.id, ...more });
  };
  return (
    <tr className={here ? 'bg-base-200' : ''}>
      <th scope="row" className="font-normal">
        <button
          type="button"
          className="link min-h-6 text-left"
          aria-pressed={here && asked.trouble === undefined}
          onClick={() => look({})}
        >
          {place.name}
        </button>
      </th>
      <td className="figure">{saidCount(place.all)}</td>
      <td className="figure">{saidCount(place.upToDate)}</td>
      {troubles.map((trouble) => (
        <td key={trouble} className="figure">
          {place.troubled[trouble] ? (
            <button
              type="button"
              className="link min-h-6 min-w-6 text-right font-medium text-error"
              aria-label={`${place.name}, ${TROUBLE_HEADS[trouble]}: ${place.troubled[trouble]}`}
              aria-pressed={here && asked.trouble === trouble}
              onClick={() => look({ trouble })}
            >
              {saidCount(place.troubled[trouble])}
            </button>
          ) : null}
        </td>
      ))}
    </tr>
  );
}
