/** What was changed would change prices that nobody has approved yet. */
export function WaitsNote({ query }: { query: string }) {
  return (
    <p role="status" className="mt-2 border-primary border-l-4 pl-3 text-sm">
      That would change prices, so it waits until somebody approves it; till then all stands as it was.{' '}
      <a className="link" href={`/stockroom/waiting${query}`}>
        See what waits
      </a>
    </p>
  );
}
