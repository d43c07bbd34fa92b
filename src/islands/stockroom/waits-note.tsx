import { Notice } from '../../ui/pieces/index.ts';
/** What was changed would change prices that nobody has approved yet. */
export function WaitsNote({ query }: { query: string }) {
  return (
    <Notice tone="news" className="mt-2 text-sm">
      That would change prices, so it waits until somebody approves it; till then all stands as it was.{' '}
      <a className="link" href={`/stockroom/waiting${query}`}>
        See what waits
      </a>
    </Notice>
  );
}
