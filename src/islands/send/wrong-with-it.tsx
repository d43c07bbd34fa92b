import { useQuery } from '@tanstack/react-query';
import { type LensView, lensQuery, type SendReview } from '../../contracts/view/index.ts';
import { laterPart, WhenUsed } from '../../ui/pieces/index.ts';
import { saidCount } from '../../ui/writing/index.ts';
import { FindingLine } from '../findings/finding-line.tsx';
import { findingsQuery } from '../findings/findings-query.ts';

const LOSING_BASKETS = laterPart(() =>
  import('./losing-baskets.tsx').then(({ LosingBaskets }) => LosingBaskets),
);

const SHOWN = 5;

/** What may be wrong with the promotions that would go out, so that it does not do so unnoticed. */
export function WrongWithIt({ review, lens }: { review: SendReview; lens: LensView }) {
  const going = new Set(
    review.stores.flatMap(({ promotions: { added, changed } }) => [...added, ...changed]),
  );
  return (
    <>
      <Findings going={going} lens={lens} />
      {going.size > 0 ? <WhenUsed part={LOSING_BASKETS} given={{ going, lens }} /> : null}
    </>
  );
}

function Findings({ going, lens }: { going: ReadonlySet<string>; lens: LensView }) {
  const { data, isPending } = useQuery(findingsQuery());
  const query = lensQuery(lens.lens);
  if (isPending)
    return (
      <p className="quiet mt-3 text-sm" role="status">
        Looking through the plan for what may be wrong …
      </p>
    );
  const found = (data?.open ?? []).filter(({ promotions }) => promotions.some(({ id }) => going.has(id)));
  if (!data || found.length === 0) return null;
  return (
    <section aria-label="What may be wrong with it" className="mt-4">
      <h3 className="font-semibold">
        {found.length === 1 ? 'One thing' : `${saidCount(found.length)} things`} may be wrong with what would
        go out
      </h3>
      <ul className="text-sm">
        {found.slice(0, SHOWN).map((finding) => (
          <FindingLine
            key={JSON.stringify([finding.code, finding.promotions, finding.part])}
            {...{ finding, query }}
            currency={data.currency}
          />
        ))}
      </ul>
      <a className="link text-sm" href={`/check/findings${query}`}>
        {found.length > SHOWN ? `See all, and accept what is meant` : 'Look into them'}
      </a>
    </section>
  );
}
