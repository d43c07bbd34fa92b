import { type FormEvent, useState } from 'react';
import type { PlanReplaced } from '../../contracts/view/index.ts';
import { Notice } from '../../ui/pieces/index.ts';
import { saidCount } from '../../ui/writing/index.ts';
import { NO_ANSWER, type Refusal, Refused, refusalIn, refusalOf } from '../server/index.ts';

const FAULTS_SHOWN = 100;

/** What stands on the desk: nothing yet, a file that would replace the plan, or one that did. */
type Desk =
  | { readonly at: 'choosing' }
  | { readonly at: 'asking'; readonly text: string; readonly would: PlanReplaced }
  | { readonly at: 'done'; readonly replaced: PlanReplaced };

/** Makes a file the whole plan, after it was said what that replaces; only the plan that was looked at is replaced. */
export function BringPlan() {
  const [desk, setDesk] = useState<Desk>({ at: 'choosing' });
  const [refusal, setRefusal] = useState<Refusal | null>(null);
  const [busy, setBusy] = useState(false);

  async function work(next: () => Promise<Desk>): Promise<void> {
    setBusy(true);
    setRefusal(null);
    try {
      setDesk(await next());
    } catch (error) {
      setDesk({ at: 'choosing' });
      setRefusal(refusalOf(error));
    }
    setBusy(false);
  }
  function check(event: FormEvent<HTMLFormElement>): void {
    event.preventDefault();
    const file = new FormData(event.currentTarget).get('plan');
    if (!(file instanceof File) || file.size === 0) {
      setRefusal({ ...NO_ANSWER, message: 'Choose a file first.' });
      return;
    }
    void work(async () => {
      const text = await file.text();
      return { at: 'asking', text, would: await put(text, '?dry=1', null) };
    });
  }
  return (
    <section aria-label="Bring in a plan" className="mt-8">
      <h2 className="text-xl">Bring in a plan</h2>
      <p className="quiet mt-1 mb-3 text-sm">
        Replaces goods, stores and promotions by those of the file, all of it or nothing. What was sent to
        stores that stay, and what their terminals hold, is kept. It is said first what would be replaced.
      </p>
      <form noValidate onSubmit={check} onChange={() => setDesk({ at: 'choosing' })}>
        <label className="block text-sm">
          Plan document (JSON)
          <input
            type="file"
            name="plan"
            accept="application/json,.json"
            className="file-input file-input-sm mt-1 w-full"
          />
        </label>
        <button type="submit" className="btn btn-sm mt-3" disabled={busy}>
          {busy ? 'Working …' : 'Look at it'}
        </button>
      </form>
      {desk.at === 'asking' ? (
        <Asking
          would={desk.would}
          busy={busy}
          onLeave={() => setDesk({ at: 'choosing' })}
          onReplace={() =>
            work(async () => ({ at: 'done', replaced: await put(desk.text, '', desk.would.planVersion) }))
          }
        />
      ) : null}
      {desk.at === 'done' ? (
        <p role="status" className="mt-3">
          In: {countWords(desk.replaced)}.
        </p>
      ) : null}
      {refusal ? <Faults refusal={refusal} /> : null}
    </section>
  );
}

function Asking({
  would,
  busy,
  onReplace,
  onLeave,
}: {
  would: PlanReplaced;
  busy: boolean;
  onReplace: () => void;
  onLeave: () => void;
}) {
  return (
    <Notice tone="trouble">
      <p>
        <b>{countWords(would.were)}</b> would be replaced by <b>{countWords(would)}</b>. What is replaced is
        gone from the plan: take out plan.json first, above, to be able to go back.
      </p>
      <p className="mt-2 flex flex-wrap gap-2">
        <button type="button" className="btn btn-sm btn-primary" disabled={busy} onClick={onReplace}>
          Replace the whole plan
        </button>
        <button type="button" className="btn btn-sm" disabled={busy} onClick={onLeave}>
          Leave it
        </button>
      </p>
    </Notice>
  );
}

function Faults({ refusal: { message, faults } }: { refusal: Refusal }) {
  return (
    <Notice tone="trouble">
      {message}
      {faults.length > FAULTS_SHOWN
        ? ` The first ${FAULTS_SHOWN} of ${saidCount(faults.length)} faults:`
        : ''}
      <ul className="mt-1 max-h-72 overflow-y-auto">
        {faults.slice(0, FAULTS_SHOWN).map((one) => (
          <li key={`${one.path} ${one.message}`}>
            {one.path || 'the file'}: {one.message}
          </li>
        ))}
      </ul>
    </Notice>
  );
}

const countWords = ({ items, stores, promotions }: PlanReplaced['were']): string =>
  `${counted(items, 'item')}, ${counted(stores, 'store')} and ${counted(promotions, 'promotion')}`;

const counted = (count: number, word: string): string =>
  count === 1 ? `1 ${word}` : `${saidCount(count)} ${word}s`;

/** @throws Refused */
async function put(text: string, query: string, version: number | null): Promise<PlanReplaced> {
  const reply = await fetch(`/api/plan${query}`, {
    method: 'PUT',
    headers: {
      'content-type': 'application/json',
      ...(version === null ? {} : { 'if-match': `"plan-${version}"` }),
    },
    body: text,
  }).catch(() => null);
  if (!reply) throw new Refused(NO_ANSWER);
  const answer: unknown = await reply.json().catch(() => null);
  if (!reply.ok) throw new Refused(refusalIn(reply.status, answer));
  return answer as PlanReplaced;
}
