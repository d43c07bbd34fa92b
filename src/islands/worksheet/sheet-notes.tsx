import { idInAddress } from '../../contracts/index.ts';
import type { SheetLine } from '../../core/worksheet/index.ts';
import { saidPercent } from '../../ui/writing/index.ts';
import type { useWorksheet } from './use-worksheet.ts';

type Answer = NonNullable<ReturnType<typeof useWorksheet>['answer']>;

/** The line with the lowest margin, in words. */
export function worstWords(
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
export function Overtaking({
  answer,
  placeWords,
}: {
  answer: Answer;
  placeWords: (line: SheetLine) => string;
}) {
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
    <p role="status" className="mt-3 border-primary border-l-4 pl-3 text-sm">
      {over.length === 1 ? 'One price begins' : `${over.length} prices begin`} later and will overtake what
      stands here:{' '}
      {over
        .slice(0, NAMED)
        .map((line) => `${line.name} (${placeWords(line)})`)
        .join(', ')}
      {over.length > NAMED ? ` and ${over.length - NAMED} more` : ''}.
    </p>
  );
}

/** What reduces lines already. */
export function Elsewhere({
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
