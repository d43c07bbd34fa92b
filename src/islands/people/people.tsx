import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useReducer, useState } from 'react';
import { idInAddress, type PersonStepRequest } from '../../contracts/index.ts';
import type { PeopleView, PersonRow } from '../../contracts/view/index.ts';
import { Notice } from '../../ui/pieces/index.ts';
import { ROLE_WORDS } from '../../ui/words/index.ts';
import { saidCount, shortMoment, timeIn } from '../../ui/writing/index.ts';
import { ask, type Refusal, readAnew, refusalOf, WithServer } from '../server/index.ts';
import { FIRST, peopleAfter, saidOf } from './desk.ts';
import { PersonForm } from './person-form.tsx';
import { StepDemand } from './step-demand.tsx';

interface PeopleProps {
  /** Who looks. */
  readonly me: string;
  /** In which moments are told. */
  readonly timeZone: string;
}

/** Who works with it: invited, changed, let in no more. */
export function People(props: PeopleProps) {
  return (
    <WithServer>
      <Desk {...props} />
    </WithServer>
  );
}

const KEY = ['people'];

function Desk({ me, timeZone }: PeopleProps) {
  const client = useQueryClient();
  const { data, error } = useQuery({ queryKey: KEY, queryFn: () => ask<PeopleView>('/api/people') });
  const [desk, tell] = useReducer(peopleAfter, FIRST);
  const [refusal, setRefusal] = useState<Refusal | null>(null);
  const [busy, setBusy] = useState(false);
  const { open } = desk;

  async function done(said: string, work: () => Promise<unknown>): Promise<void> {
    setBusy(true);
    setRefusal(null);
    try {
      await work();
      await readAnew(client, { queryKey: KEY });
      tell({ type: 'done', said });
    } catch (failure) {
      setRefusal(refusalOf(failure));
    }
    setBusy(false);
  }
  const keep = () => {
    if (!open) return;
    const { whom, draft } = open;
    const body = saidOf(draft);
    if (whom.kind === 'new')
      return done(`${draft.name} was sent a link by which to set a password.`, () =>
        ask('/api/people', { method: 'POST', body: { ...body, email: draft.email.trim() } }),
      );
    return done(`${draft.name} was changed.`, () =>
      ask(`/api/people/${idInAddress(whom.id)}`, { method: 'PUT', body }),
    );
  };
  const step = ({ id, name }: PersonRow, what: Step) =>
    done(`${name} ${DONE[what]}`, () =>
      ask(`/api/people/${idInAddress(id)}/step`, { method: 'POST', body: { step: what } }),
    );
  if (error) return <Notice tone="trouble">{refusalOf(error).message}</Notice>;
  if (!data)
    return (
      <p className="quiet mt-5" role="status">
        Reading …
      </p>
    );
  const form = open ? (
    <PersonForm
      draft={open.draft}
      isNew={open.whom.kind === 'new'}
      stores={data.stores}
      departments={data.departments}
      {...{ refusal, busy }}
      onTyped={(more) => tell({ type: 'typed', more })}
      onStore={(id, theirs) => tell({ type: 'store', id, theirs })}
      onDepartment={(id, theirs) => tell({ type: 'department', id, theirs })}
      onKeep={keep}
      onLeave={() => {
        setRefusal(null);
        tell({ type: 'left' });
      }}
    />
  ) : null;
  return (
    <>
      <p className="mt-4 flex flex-wrap items-center gap-x-4 gap-y-2">
        <button type="button" className="btn btn-primary btn-sm" onClick={() => tell({ type: 'invite' })}>
          Invite somebody
        </button>
        <span role="status">{desk.said}</span>
      </p>
      {open?.whom.kind === 'new' ? form : null}
      {refusal && !open ? (
        <Notice tone="trouble">
          {refusal.faults.map(({ message }) => message).join('; ') || refusal.message}
        </Notice>
      ) : null}
      <ul className="mt-5" aria-label="People">
        {data.people.map((one) => (
          <li key={one.id} className="hairline border-b py-2.5">
            <Row
              one={one}
              isMe={one.id === me}
              {...{ busy, timeZone }}
              departments={data.departments}
              onChange={() => tell({ type: 'change', of: one })}
              onStep={(what) => step(one, what)}
            />
            {open?.whom.kind === 'one' && open.whom.id === one.id ? form : null}
          </li>
        ))}
      </ul>
      <StepDemand
        demand={data.secondStep}
        people={data.people}
        onKept={() => readAnew(client, { queryKey: KEY })}
      />
    </>
  );
}

type Step = PersonStepRequest['step'];
const DONE: Readonly<Record<Step, string>> = {
  end: 'is let in no more, and is signed out everywhere.',
  return: 'is let in again.',
  link: 'was sent a link by which to set a new password.',
  'sign-out': 'is signed out everywhere.',
  'one-step': 'signs in with the password alone again.',
};

/** What may be done with somebody who is let in: each with its words, and those for who hears them alone. */
function stepsFor({ name, secondStep }: PersonRow, isMe: boolean): [Step, string, string][] {
  const link: [Step, string, string] = ['link', 'Link for a password', `Send ${name} a link for a password`];
  if (isMe) return [link];
  const lost = `Take the second step from ${name}, who lost their device`;
  return [
    link,
    ...(secondStep ? [['one-step', 'Take the second step away', lost] as [Step, string, string]] : []),
    ['sign-out', 'Sign out everywhere', `Sign ${name} out everywhere`],
    ['end', 'Let in no more', `Let ${name} in no more`],
  ];
}

function Row({
  one,
  isMe,
  busy,
  timeZone,
  departments,
  onChange,
  onStep,
}: {
  one: PersonRow;
  departments: PeopleView['departments'];
  isMe: boolean;
  busy: boolean;
  timeZone: string;
  onChange: () => void;
  onStep: (step: Step) => void;
}) {
  const { name, email, role, costs, stores, goods, secondStep, endedAt } = one;
  const theirs = departments.filter(({ id }) => goods?.includes(id)).map(({ name }) => name);
  const sees = [
    role === 'store'
      ? `${saidCount(stores.length)} ${stores.length === 1 ? 'store' : 'stores'}`
      : 'all stores',
    costs ? 'costs and margins' : 'no costs',
    ...(goods ? [`changes goods of ${theirs.join(', ') || 'no department'} alone`] : []),
  ];
  const signsIn = secondStep ? '; signs in in two steps' : '';
  return (
    <div className="grid items-baseline gap-x-6 gap-y-1 md:grid-cols-[minmax(0,18rem)_8rem_minmax(0,1fr)_auto]">
      <p>
        <span className={endedAt ? 'line-through' : 'font-medium'}>{name}</span>
        {isMe ? <span className="quiet"> (you)</span> : null}
        <span className="quiet block text-sm break-all">{email}</span>
      </p>
      <p>{ROLE_WORDS[role]}</p>
      <p className="quiet text-sm">
        {endedAt
          ? `let in no more since ${shortMoment(timeIn(timeZone, endedAt), '')}`
          : `sees ${sees.join(', ')}${signsIn}`}
      </p>
      <p className="flex flex-wrap gap-x-4 text-sm leading-7">
        {endedAt ? (
          <button type="button" className="link" disabled={busy} onClick={() => onStep('return')}>
            Let in again
          </button>
        ) : (
          <>
            <button type="button" className="link" aria-label={`Change ${name}`} onClick={onChange}>
              Change
            </button>
            {stepsFor(one, isMe).map(([step, words, label]) => (
              <button
                key={step}
                type="button"
                className="link"
                aria-label={label}
                disabled={busy}
                onClick={() => onStep(step)}
              >
                {words}
              </button>
            ))}
          </>
        )}
      </p>
    </div>
  );
}
