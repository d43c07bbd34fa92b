import { useQuery } from '@tanstack/react-query';
import { type FormEvent, useState } from 'react';
import { idInAddress, type WebhookStepRequest } from '../../contracts/index.ts';
import {
  TOLD_EVENTS,
  type ToldEvent,
  type WebhookRow,
  type WebhooksView,
} from '../../contracts/view/index.ts';
import { FaultField, Notice, ShownOnce } from '../../ui/pieces/index.ts';
import { TOLD_WORDS } from '../../ui/words/index.ts';
import { saidCount, shortMoment, timeIn } from '../../ui/writing/index.ts';
import { ask, type Refusal, refusalOf, refusalWords, useDoing, WithServer } from '../server/index.ts';

const KEY = ['webhooks'];

/** Which addresses of other programs are told what happens. @param timeZone in which moments are told. */
export function Webhooks({ timeZone }: { timeZone: string }) {
  return (
    <WithServer>
      <Desk timeZone={timeZone} />
    </WithServer>
  );
}

function Desk({ timeZone }: { timeZone: string }) {
  const { data, error } = useQuery({ queryKey: KEY, queryFn: () => ask<WebhooksView>('/api/webhooks') });
  const [secret, setSecret] = useState<string | null>(null);
  const { busy, said, refusal, doing } = useDoing(KEY);

  const add = (url: string, events: readonly ToldEvent[]) =>
    doing(async () => {
      const made = await ask<{ secret: string }>('/api/webhooks', { method: 'POST', body: { url, events } });
      setSecret(made.secret);
      return 'It is told from now on.';
    });
  const step = ({ id, url }: WebhookRow, what: WebhookStepRequest['step']) =>
    doing(async () => {
      await ask(`/api/webhooks/${idInAddress(id)}/step`, { method: 'POST', body: { step: what } });
      return what === 'end' ? `${url} is told nothing more.` : 'What was not taken is tried now.';
    });
  if (error) return <Notice tone="trouble">{refusalOf(error).message}</Notice>;
  return (
    <section aria-label="Programs that are told" className="mt-8 max-w-5xl">
      <h2 className="text-2xl">Programs that are told</h2>
      <p className="quiet max-w-3xl">
        Bell Tag calls them (POST, JSON) when something happens, signed in the heads <code>webhook-id</code>,{' '}
        <code>webhook-timestamp</code> and <code>webhook-signature</code>: an HMAC-SHA256 of both and the
        body, with dots between. What is not taken is tried again for a day and a half.
      </p>
      <ul aria-label="Addresses that are told" className="mt-2">
        {(data?.webhooks ?? []).map((one) => (
          <Row key={one.id} {...{ one, busy, timeZone }} onStep={(what) => step(one, what)} />
        ))}
      </ul>
      {secret ? (
        <ShownOnce text={secret} onSeen={() => setSecret(null)}>
          The secret with which calls to it are signed. It is shown this once.
        </ShownOnce>
      ) : null}
      <AddressForm {...{ busy, refusal }} onAdd={add} />
      <p role="status" className="text-sm">
        {said}
      </p>
    </section>
  );
}

function Row({
  one,
  busy,
  timeZone,
  onStep,
}: {
  one: WebhookRow;
  busy: boolean;
  timeZone: string;
  onStep: (step: WebhookStepRequest['step']) => void;
}) {
  const { url, events, waiting, givenUp, takenAt, said } = one;
  const how = [
    takenAt === null ? 'took nothing yet' : `took one last ${shortMoment(timeIn(timeZone, takenAt), '')}`,
    ...(waiting > 0 ? [`${saidCount(waiting)} waiting`] : []),
    ...(givenUp > 0 ? [`${saidCount(givenUp)} given up`] : []),
    ...(said === null ? [] : [`answered ${said}`]),
  ];
  return (
    <li className="hairline grid items-baseline gap-x-6 gap-y-1 border-b py-2.5 md:grid-cols-[minmax(0,22rem)_minmax(0,1fr)_auto]">
      <span className="font-medium break-all">{url}</span>
      <span className="text-sm">
        {events.map((event) => TOLD_WORDS[event]).join(', ')}
        <span className="quiet block">{how.join(', ')}</span>
      </span>
      <span className="flex flex-wrap gap-x-4 text-sm leading-7">
        {waiting + givenUp > 0 ? (
          <button
            type="button"
            className="link"
            aria-label={`Try ${url} again now`}
            disabled={busy}
            onClick={() => onStep('try')}
          >
            Try now
          </button>
        ) : null}
        <button
          type="button"
          className="link"
          aria-label={`Tell ${url} nothing more`}
          disabled={busy}
          onClick={() => onStep('end')}
        >
          Tell it nothing more
        </button>
      </span>
    </li>
  );
}

function AddressForm({
  busy,
  refusal,
  onAdd,
}: {
  busy: boolean;
  refusal: Refusal | null;
  onAdd: (url: string, events: readonly ToldEvent[]) => Promise<boolean>;
}) {
  const [url, setUrl] = useState('');
  const [events, setEvents] = useState<readonly ToldEvent[]>(TOLD_EVENTS);
  const at = (path: string) => refusal?.faults.find((fault) => fault.path === path)?.message ?? null;
  async function submit(event: FormEvent): Promise<void> {
    event.preventDefault();
    if (await onAdd(url.trim(), events)) setUrl('');
  }
  return (
    <form
      aria-label="Tell another program"
      className="mt-4 max-w-3xl space-y-2 text-sm"
      noValidate
      onSubmit={submit}
    >
      <FaultField label="Address" inputMode="url" value={url} fault={at('/url')} onChange={setUrl} />
      <fieldset className="flex flex-wrap gap-x-6">
        <legend>What it is told</legend>
        {TOLD_EVENTS.map((one) => (
          <label key={one} className="flex items-center gap-2 py-1">
            <input
              type="checkbox"
              className="checkbox checkbox-sm"
              checked={events.includes(one)}
              onChange={({ target }) =>
                setEvents(
                  TOLD_EVENTS.filter((other) => (other === one ? target.checked : events.includes(other))),
                )
              }
            />
            {TOLD_WORDS[one]}
          </label>
        ))}
      </fieldset>
      {refusal && at('/url') === null ? <Notice tone="trouble">{refusalWords(refusal)}</Notice> : null}
      <button type="submit" className="btn btn-sm" disabled={busy}>
        Tell this address
      </button>
    </form>
  );
}
