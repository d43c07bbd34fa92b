import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { idInAddress, type KeyStepRequest } from '../../contracts/index.ts';
import type { KeyRow, KeysView } from '../../contracts/view/index.ts';
import { Notice, ShownOnce } from '../../ui/pieces/index.ts';
import { SCOPE_WORDS } from '../../ui/words/index.ts';
import { saidCount, shortMoment, timeIn } from '../../ui/writing/index.ts';
import { ask, refusalOf, useDoing, WithServer } from '../server/index.ts';
import { type KeyDraft, KeyForm, NO_KEY, saidOf } from './key-form.tsx';

const KEY = ['keys'];

/** Which other programs are let in, each by a key. @param timeZone in which moments are told. */
export function Keys({ timeZone }: { timeZone: string }) {
  return (
    <WithServer>
      <Desk timeZone={timeZone} />
    </WithServer>
  );
}

function Desk({ timeZone }: { timeZone: string }) {
  const { data, error } = useQuery({ queryKey: KEY, queryFn: () => ask<KeysView>('/api/keys') });
  const [draft, setDraft] = useState<KeyDraft | null>(null);
  const [shown, setShown] = useState<{ name: string; text: string } | null>(null);
  const { busy, said, refusal, doing, forgetRefusal } = useDoing(KEY);

  const make = (made: KeyDraft) =>
    doing(async () => {
      const { key } = await ask<{ key: string }>('/api/keys', { method: 'POST', body: saidOf(made) });
      setShown({ name: made.name.trim(), text: key });
      setDraft(null);
      return '';
    });
  const step = ({ id, name }: KeyRow, what: KeyStepRequest['step']) =>
    doing(async () => {
      const path = `/api/keys/${idInAddress(id)}/step`;
      const { key } = await ask<{ key?: string }>(path, { method: 'POST', body: { step: what } });
      setShown(key === undefined ? null : { name, text: key });
      return key === undefined ? `${name} is let in no more.` : '';
    });
  if (error) return <Notice tone="trouble">{refusalOf(error).message}</Notice>;
  return (
    <section aria-label="Other programs" className="mt-10">
      <div className="flex flex-wrap items-baseline gap-x-6 gap-y-2">
        <h2 className="text-2xl">Other programs</h2>
        <p className="quiet">Each is known by a key of its own, and may do what you tick</p>
        <a className="link ml-auto text-sm" href="/stockroom/interface">
          What they may ask
        </a>
      </div>
      <p className="mt-3 flex flex-wrap items-center gap-x-4 gap-y-2">
        <button
          type="button"
          className="btn btn-sm"
          disabled={draft !== null}
          onClick={() => setDraft(NO_KEY)}
        >
          A key for a program
        </button>
        <span role="status">{said}</span>
      </p>
      {shown ? (
        <ShownOnce text={shown.text} onSeen={() => setShown(null)}>
          The key of {shown.name}. It is shown this once: hand it to the program now, as{' '}
          <code>Authorization: Bearer …</code>
        </ShownOnce>
      ) : null}
      {draft ? (
        <KeyForm
          {...{ draft, refusal, busy }}
          stores={data?.stores ?? []}
          onDraft={setDraft}
          onMake={() => make(draft)}
          onLeave={() => {
            forgetRefusal();
            setDraft(null);
          }}
        />
      ) : null}
      {refusal && !draft ? <Notice tone="trouble">{refusal.message}</Notice> : null}
      {data?.keys.length === 0 && !draft ? <p className="quiet mt-3">No other program is let in.</p> : null}
      <ul className="mt-3" aria-label="Keys of other programs">
        {(data?.keys ?? []).map((one) => (
          <Row key={one.id} {...{ one, busy, timeZone }} onStep={(what) => step(one, what)} />
        ))}
      </ul>
    </section>
  );
}

function Row({
  one,
  busy,
  timeZone,
  onStep,
}: {
  one: KeyRow;
  busy: boolean;
  timeZone: string;
  onStep: (step: KeyStepRequest['step']) => void;
}) {
  const { name, scopes, costs, stores, usedAt, endsAt } = one;
  const moment = (instant: string) => shortMoment(timeIn(timeZone, instant), '');
  const sees = [
    stores.length === 0
      ? 'all stores'
      : `${saidCount(stores.length)} ${stores.length === 1 ? 'store' : 'stores'}`,
    costs ? 'costs and margins' : 'no costs',
  ];
  const used = usedAt === null ? 'never used' : `last used around ${moment(usedAt)}`;
  return (
    <li className="hairline grid items-baseline gap-x-6 gap-y-1 border-b py-2.5 md:grid-cols-[minmax(0,16rem)_minmax(0,1fr)_auto]">
      <span className="font-medium break-words">{name}</span>
      <span className="quiet text-sm">
        {scopes.map((scope) => SCOPE_WORDS[scope]).join(', ')}; told of {sees.join(', ')}; {used}
        {endsAt === null ? '' : `; good until ${moment(endsAt)}`}
      </span>
      <span className="flex flex-wrap gap-x-4 text-sm leading-7">
        <button
          type="button"
          className="link"
          aria-label={`Replace the key of ${name}`}
          disabled={busy}
          onClick={() => onStep('replace')}
        >
          Another key
        </button>
        <button
          type="button"
          className="link"
          aria-label={`Let ${name} in no more`}
          disabled={busy}
          onClick={() => onStep('take')}
        >
          Let in no more
        </button>
      </span>
    </li>
  );
}
