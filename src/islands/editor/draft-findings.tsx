import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { type DraftFindings as Found, type LensView, lensQuery } from '../../contracts/view/index.ts';
import { saidCount } from '../../ui/writing/index.ts';
import { FindingLine } from '../findings/index.ts';
import { ask, useResting } from '../server/index.ts';
import type { DraftPreview } from './use-preview.ts';

/** The whole plan is looked at, so a longer rest is waited for than for prices. */
const TYPING = 700;
const SHOWN = 3;

/** What would be wrong if the draft were approved as it stands: with it, and with others because of it. */
export function DraftFindings({ preview, view }: { preview: DraftPreview; view: LensView }) {
  const [all, setAll] = useState(false);
  const promotion = useResting(preview.promotion, TYPING);
  const broken = preview.refusal !== null;
  const { data, isFetching, error } = useQuery({
    queryKey: ['draft-findings', promotion],
    queryFn: ({ signal }) =>
      ask<Found>('/api/promotions/findings', { method: 'POST', body: { promotion } }, signal),
    enabled: promotion !== null && !broken,
    placeholderData: (before) => before,
    retry: false,
  });
  if (promotion === null || broken || (!data && !isFetching && !error)) return null;
  const found = data?.findings ?? [];
  return (
    <section
      aria-label="What may be wrong"
      aria-busy={isFetching}
      className="min-w-0 border-base-300 pb-5 xl:border-l xl:pl-7"
    >
      <h2 className="text-xl">
        What may be wrong{' '}
        <span className="quiet font-normal font-sans text-sm" role="status">
          {isFetching ? 'looking through the plan …' : ''}
        </span>
      </h2>
      {error ? <p className="quiet mt-1 text-sm">The plan could not be looked through just now.</p> : null}
      {data && found.length === 0 ? (
        <p className="quiet mt-1 text-sm">Nothing, as the approved plan stands.</p>
      ) : null}
      <ul className="mt-1 text-sm">
        {found.slice(0, all ? found.length : SHOWN).map((finding) => (
          <FindingLine
            key={JSON.stringify([finding.code, finding.promotions, finding.part])}
            finding={finding}
            without={promotion.id}
            currency={data!.currency}
            query={lensQuery(view.lens)}
          />
        ))}
      </ul>
      {found.length > SHOWN ? (
        <button type="button" className="link mt-1 text-sm" aria-expanded={all} onClick={() => setAll(!all)}>
          {all ? 'Fewer' : `${saidCount(found.length - SHOWN)} more`}
        </button>
      ) : null}
    </section>
  );
}
