import { useState } from 'react';
import type { PersonRow, SecondStepDemand } from '../../contracts/index.ts';
import { secondStepFrom } from '../../contracts/index.ts';
import { Notice } from '../../ui/pieces/index.ts';
import { dateWords } from '../../ui/writing/index.ts';
import { DayField } from '../days/index.ts';
import { ask, refusalWords, useDoing } from '../server/index.ts';

const OF: Readonly<Record<'nobody' | SecondStepDemand['of'], string>> = {
  nobody: "Each one's own affair",
  administrators: 'Asked of those who administer',
  everybody: 'Asked of everybody',
};
type Of = keyof typeof OF;

/** Of whom the chain asks a second step of the sign-in, from which day on, and who has none yet. */
export function StepDemand({
  demand,
  people,
  onKept,
}: {
  demand: SecondStepDemand | null;
  people: readonly PersonRow[];
  onKept: () => Promise<unknown>;
}) {
  const [of, setOf] = useState<Of>(demand?.of ?? 'nobody');
  const [from, setFrom] = useState(demand?.from ?? inAWeek());
  const { busy, said, refusal, doing } = useDoing();
  const asked = of === 'nobody' ? null : { of, from };
  const without = people.filter(
    ({ role, secondStep, endedAt }) => !endedAt && !secondStep && secondStepFrom(asked, role) !== null,
  );
  const keep = () =>
    doing(async () => {
      await ask('/api/work-rules', { method: 'PUT', body: { secondStep: asked } });
      await onKept();
      return asked ? `Kept: asked from ${dateWords(asked.from)} on.` : 'Kept.';
    });
  return (
    <section aria-label="A second step" className="mt-8 max-w-3xl">
      <h2 className="text-xl">A second step</h2>
      <p className="quiet mt-1 max-w-xl text-sm">
        A code of a device beside the password. From the day on, whoever it is asked of and has none begins
        with it before anything else.
      </p>
      <form
        className="mt-3 flex flex-wrap items-end gap-x-4 gap-y-2 text-sm"
        noValidate
        onSubmit={(event) => {
          event.preventDefault();
          keep();
        }}
      >
        <label>
          Of whom
          <select
            className="select select-sm mt-0.5 block w-64"
            value={of}
            onChange={(event) => setOf(event.target.value as Of)}
          >
            {Object.entries(OF).map(([value, words]) => (
              <option key={value} value={value}>
                {words}
              </option>
            ))}
          </select>
        </label>
        {of === 'nobody' ? null : (
          <span className="block w-44">
            <DayField label="From" value={from} onChange={setFrom} />
          </span>
        )}
        <button type="submit" className="btn btn-sm" disabled={busy}>
          Keep it so
        </button>
      </form>
      {of === 'nobody' ? null : (
        <p className="mt-2 text-sm">
          {without.length === 0
            ? 'All of them have it.'
            : `Without one so far: ${without.map(({ name }) => name).join(', ')}.`}
        </p>
      )}
      {refusal ? <Notice tone="trouble">{refusalWords(refusal)}</Notice> : null}
      <p role="status" className="mt-1 text-sm">
        {said}
      </p>
    </section>
  );
}

const WEEK = 7 * 24 * 60 * 60 * 1000;
const inAWeek = (): string => new Date(Date.now() + WEEK).toISOString().slice(0, 10);
