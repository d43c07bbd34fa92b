/** Said in place of what a draft does when no store and moment shows it. */
export function NeverSeen({ stores }: { stores: number }) {
  return (
    <p className="mt-3">{stores === 0 ? 'No store is in it.' : 'It is never live: no moment of it comes.'}</p>
  );
}
