import { useQuery } from '@tanstack/react-query';
import { useEffect, useMemo, useReducer, useState } from 'react';
import { type Choices, type LensView, lensQuery } from '../../contracts/view/index.ts';
import { Notice } from '../../ui/pieces/index.ts';
import { ask, useResting, WithServer } from '../server/index.ts';
import { againstWords } from './against-words.ts';
import { CellStory } from './cell-story.tsx';
import { drawnColumns } from './columns.ts';
import { addressOf, type GridDesk, gridAfter, gridDesk, gridQuestion } from './desk.ts';
import { GridSheet } from './grid-sheet.tsx';
import { GridTools } from './grid-tools.tsx';
import { useGrid } from './use-grid.ts';

/** All prices at once: goods by stores, through the lens. */
export function Grid({ view, address }: { view: LensView; address: string }) {
  return (
    <WithServer>
      <Desk view={view} address={address} />
    </WithServer>
  );
}

const REST = 250;
const BEGINNING = { row: 0, field: 'name' };

function Desk({ view, address }: { view: LensView; address: string }) {
  const [desk, tell] = useReducer(gridAfter, gridDesk(new URLSearchParams(address)));
  const [active, setActive] = useState(BEGINNING);
  const { data: choices } = useQuery({
    queryKey: ['choices'],
    queryFn: () => ask<Choices>('/api/choices'),
    staleTime: 300_000,
  });
  const question = useResting(gridQuestion(desk, view).toString(), REST);
  const grid = useGrid(question);
  useAddress(desk, view);
  const { head, refusal } = grid;
  const columns = useMemo(() => drawnColumns(head?.columns ?? [], desk.open), [head?.columns, desk.open]);
  const row = grid.rowAt(active.row);
  const column = columns.find(({ field }) => field === active.field);
  const seen = column && grid.cellAt(active.row, column.column);
  return (
    <>
      <GridTools {...{ desk, tell, view, choices, grid, question }} />
      {refusal ? (
        <Notice tone="trouble" className="mt-4">
          {refusal.message} {refusal.faults.map(({ message }) => message).join('; ')}
        </Notice>
      ) : null}
      {head && head.without.length > 0 ? (
        <p className="mt-3 text-sm">
          {desk.against === 'known' ? 'Not known then: ' : 'No terminal holds a price file yet in '}
          {head.without.map(({ name }) => name).join(', ')}.
        </p>
      ) : null}
      {head && head.goods > 0 ? (
        <div className={`mt-3 ${grid.isPending ? 'opacity-60' : ''}`}>
          <GridSheet {...{ grid, columns, desk, tell, view, onActive: setActive }} goods={head.goods} />
          {row && column && seen ? (
            <CellStory {...{ row, column, seen, view }} against={againstWords(desk, view, choices)} />
          ) : (
            <p className="quiet mt-3 text-sm">
              Go to a price with the arrows or the pointer to read what made it; Enter opens the item.
            </p>
          )}
        </div>
      ) : null}
      {head?.goods === 0 ? <p className="quiet mt-6">{nothingWords(desk)}</p> : null}
      {!head && grid.isPending ? (
        <p className="quiet mt-6" role="status">
          Working out the prices …
        </p>
      ) : null}
    </>
  );
}

const nothingWords = ({ onlyChanged, text, node }: GridDesk): string =>
  onlyChanged
    ? 'None of these goods costs anything else in any of these stores.'
    : text || node
      ? 'None of these stores sells goods that fit.'
      : 'None of these stores sells anything at that moment.';

/** The address names what is looked at, so that it can be passed on. */
function useAddress(desk: GridDesk, { lens }: LensView): void {
  const here = `/check${lensQuery(lens, addressOf(desk))}`;
  useEffect(() => {
    if (location.pathname + location.search !== here) history.replaceState(null, '', here);
  }, [here]);
}
