import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import type { LensView, PlanFinding } from '../../contracts/view/index.ts';
import { Notice } from '../../ui/pieces/index.ts';
import { FINDING_WORDS } from '../../ui/words/index.ts';
import { saidCount } from '../../ui/writing/index.ts';
import { readAnew, refusalOf, WithServer } from '../server/index.ts';
import { FindingRow, type RowProps } from './finding-row.tsx';
import { findingsQuery } from './findings-query.ts';

type Code = PlanFinding['code'];

/** All that may be wrong in the plan from today on, to be worked off: what costs most first. */
export function Findings({ view, plans }: { view: LensView; plans: boolean }) {
  return (
    <WithServer>
      <WorkList view={view} plans={plans} />
    </WithServer>
  );
}

function WorkList({ view, plans }: { view: LensView; plans: boolean }) {
  const client = useQueryClient();
  const query = findingsQuery(view.lens.known);
  const findings = useQuery(query);
  const [code, setCode] = useState<Code | null>(null);
  const [showsAccepted, setShowsAccepted] = useState(false);
  const again = () => readAnew(client, { queryKey: query.queryKey });
  const { data } = findings;
  const open = (data?.open ?? []).filter((one) => code === null || one.code === code);
  const rows = { view, plans, currency: data?.currency ?? '', onChanged: again };
  return (
    <>
      {findings.error ? (
        <Notice tone="trouble" className="mt-5">
          {refusalOf(findings.error).message}{' '}
          <button type="button" className="link" onClick={again}>
            Look again
          </button>
        </Notice>
      ) : null}
      {findings.isPending ? (
        <p className="quiet mt-5" role="status">
          Looking through the whole plan …
        </p>
      ) : null}
      {data ? (
        <>
          <Kinds all={data.open} code={code} onCode={setCode} />
          {open.length === 0 ? (
            <p className="quiet mt-6">Nothing to look into: no promotion stands in the way of another.</p>
          ) : (
            <Rows name="Findings" {...rows} findings={open} />
          )}
          {data.accepted.length > 0 ? (
            <section className="mt-8">
              <button
                type="button"
                className="link text-sm"
                aria-expanded={showsAccepted}
                onClick={() => setShowsAccepted(!showsAccepted)}
              >
                {saidCount(data.accepted.length)} accepted
              </button>
              <p className="quiet text-sm">They stay quiet until something about them changes.</p>
              {showsAccepted ? <Rows name="Accepted findings" {...rows} findings={data.accepted} /> : null}
            </section>
          ) : null}
        </>
      ) : null}
    </>
  );
}

function Rows({
  name,
  findings,
  ...row
}: { name: string; findings: readonly PlanFinding[] } & Omit<RowProps, 'finding'>) {
  return (
    <ul aria-label={name} className="mt-3">
      {findings.map((finding) => (
        <FindingRow key={keyOf(finding)} finding={finding} {...row} />
      ))}
    </ul>
  );
}

const keyOf = ({ code, promotions, part }: PlanFinding): string =>
  JSON.stringify([code, promotions.map(({ id }) => id), part]);

/** How many there are of each kind; one of them alone on demand. */
function Kinds({
  all,
  code,
  onCode,
}: {
  all: readonly PlanFinding[];
  code: Code | null;
  onCode: (code: Code | null) => void;
}) {
  const counts = new Map<Code, number>();
  for (const one of all) counts.set(one.code, (counts.get(one.code) ?? 0) + 1);
  if (counts.size < 2) return null;
  return (
    <label className="mt-4 flex items-center gap-2 text-sm">
      Show
      <select
        className="select select-sm w-72"
        value={code ?? ''}
        onChange={(event) => onCode((event.target.value || null) as Code | null)}
      >
        <option value="">all {saidCount(all.length)}</option>
        {[...counts].map(([one, count]) => (
          <option key={one} value={one}>
            {FINDING_WORDS[one]} ({saidCount(count)})
          </option>
        ))}
      </select>
    </label>
  );
}
