import { idInAddress } from '../../contracts/index.ts';
import { type LensView, lensQuery, type OpenedPromotion } from '../../contracts/view/index.ts';
import { shortMoment, timeIn } from '../../ui/writing/index.ts';
import { Differences } from './differences.tsx';

/** Who did what, newest first, with what it was before. */
export function History({
  of: { promotion, history },
  view: { lens, now, store },
}: {
  of: Pick<OpenedPromotion, 'promotion' | 'history'>;
  view: LensView;
}) {
  const pathOf = (entry: number) =>
    `/plan/${idInAddress(promotion.id)}${lensQuery(lens, { state: String(entry) })}`;
  return (
    <section className="mt-8">
      <h2 className="hairline border-b pb-1 text-lg">What happened to it</h2>
      <ul className="text-sm">
        {history.map(({ id, at, person, action, differences, opens }) => (
          <li key={id} className="hairline border-b py-1.5">
            {action} by {person ?? 'the set-up'}, {shortMoment(timeIn(store.timeZone, at), now)}
            {opens ? (
              <a className="link ml-3" href={pathOf(id)}>
                as it was then
              </a>
            ) : null}
            {differences.length > 0 ? (
              <details>
                <summary className="link quiet py-0.5">
                  {differences.length === 1
                    ? `${differences[0]!.what}: one change`
                    : `${differences.length} changes`}
                </summary>
                <Differences of={differences} />
              </details>
            ) : null}
          </li>
        ))}
      </ul>
    </section>
  );
}
