import { shortMoment } from '../../ui/moment.ts';

export interface HistoryRow {
  readonly at: string;
  readonly person: string | null;
  readonly action: string;
}

/** Who did what, newest first, in the reader's own time. */
export function History({ rows, now }: { rows: readonly HistoryRow[]; now: string }) {
  return (
    <section className="mt-8">
      <h2 className="hairline border-b pb-1 text-lg">What happened to it</h2>
      <ul className="text-sm">
        {rows.map(({ at, person, action }) => (
          <li key={at} className="hairline border-b py-1.5">
            {action} by {person ?? 'the set-up'}, {shortMoment(readersTime(at), now)}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** An instant as the clock of the reader's own machine shows it. */
function readersTime(at: string): string {
  const date = new Date(at);
  const two = (value: number) => String(value).padStart(2, '0');
  return `${date.getFullYear()}-${two(date.getMonth() + 1)}-${two(date.getDate())}T${two(date.getHours())}:${two(date.getMinutes())}`;
}
