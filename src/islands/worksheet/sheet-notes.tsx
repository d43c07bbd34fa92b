import { idInAddress } from '../../contracts/index.ts';
import { type Lens, lensQuery } from '../../contracts/view/index.ts';
import type { SheetLine } from '../../core/worksheet/index.ts';
import { Notice } from '../../ui/pieces/index.ts';
import { saidPercent } from '../../ui/writing/index.ts';
import { Sums } from './sums.tsx';
import type { SheetAt } from './use-sheet-desk.ts';

type Answer = NonNullable<SheetAt['answer']>;

/** What has to be known of a sheet before its lines: what was refused, what changed, what meets it, its sums. */
export function SheetNotes({ at, regular, lens }: { at: SheetAt; regular: boolean; lens: Lens }) {
  const { facts, refusal, answer, differs, desk, tell, currency, placeWords } = at;
  return (
    <>
      {refusal ? (
        <Notice tone="trouble" className="mt-2 text-sm">
          {refusal.message} {refusal.faults.map(({ message }) => message).join('; ')}
        </Notice>
      ) : null}
      {!desk.touched && differs > 0 ? (
        <Notice tone="news">
          Goods, costs or regular prices changed since this was saved: {differs}{' '}
          {differs === 1 ? 'line comes' : 'lines come'} out differently now. The saved prices count until you
          take the new ones.{' '}
          <button type="button" className="link" onClick={() => tell({ type: 'prices-taken' })}>
            Take the new prices
          </button>
        </Notice>
      ) : null}
      {facts && facts.elsewhere.length > 0 ? <Elsewhere facts={facts} query={lensQuery(lens)} /> : null}
      {facts && facts.unsold.length > 0 ? (
        <p className="quiet mt-1 text-sm">
          {facts.unsold.length} of its goods cannot be sold in any of these stores at that hour, and are left
          out.
        </p>
      ) : null}
      {answer && regular ? <Overtaking answer={answer} placeWords={placeWords} /> : null}
      {answer && answer.facts.lines.length > 0 ? (
        <Sums
          sums={answer.sums}
          currency={currency}
          regular={regular}
          worst={worstWords(answer, placeWords)}
        />
      ) : null}
    </>
  );
}

/** The line with the lowest margin, in words. */
function worstWords(
  { facts, results, sums }: Answer,
  placeWords: (line: SheetLine) => string,
): string | null {
  if (sums.worst === null) return null;
  const line = facts.lines[sums.worst]!;
  const { margin } = results[sums.worst]!;
  const where = facts.lines.some(({ place }) => place !== 'chain') ? ` (${placeWords(line)})` : '';
  return margin === null ? null : `${saidPercent(margin)}, ${line.name}${where}`;
}

const NAMED = 4;

/** Prices that begin later in a place that is made anew, and are not: from their day on the new price is no more. */
function Overtaking({ answer, placeWords }: { answer: Answer; placeWords: (line: SheetLine) => string }) {
  const { facts, results } = answer;
  const priced = new Set(
    facts.lines.flatMap(({ sku, place, since }, i) =>
      since === null && results[i]!.price !== null ? [`${sku} ${place}`] : [],
    ),
  );
  const over = facts.lines.filter(
    ({ sku, place, since }, i) =>
      since !== null && results[i]!.price === null && priced.has(`${sku} ${place}`),
  );
  if (over.length === 0) return null;
  return (
    <Notice tone="news">
      {over.length === 1 ? 'One price begins' : `${over.length} prices begin`} later and will overtake what
      stands here:{' '}
      {over
        .slice(0, NAMED)
        .map((line) => `${line.name} (${placeWords(line)})`)
        .join(', ')}
      {over.length > NAMED ? ` and ${over.length - NAMED} more` : ''}.
    </Notice>
  );
}

/** What reduces lines already. */
function Elsewhere({
  facts: { elsewhere },
  query,
}: {
  facts: { elsewhere: readonly { id: string; name: string; items: number }[] };
  query: string;
}) {
  const meeting = elsewhere.filter(({ items }) => items > 0).toSorted((a, b) => b.items - a.items);
  if (meeting.length === 0) return null;
  return (
    <p className="mt-3 text-sm">
      In some of these stores and days lines are reduced already by{' '}
      {meeting.slice(0, 4).map(({ id, name, items }, i) => (
        <span key={id}>
          {i > 0 ? ', ' : ''}
          <a className="link" href={`/plan/${idInAddress(id)}${query}`}>
            {name}
          </a>{' '}
          ({items})
        </span>
      ))}
      {meeting.length > 4 ? ` and ${meeting.length - 4} more` : ''}.
    </p>
  );
}
