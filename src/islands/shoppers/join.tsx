import { useState } from 'react';
import { FaultField, Notice } from '../../ui/pieces/index.ts';
import { ask, type Refusal, refusalWords, useDoing, WithServer } from '../server/index.ts';

interface Props {
  readonly kinds: readonly { readonly id: string; readonly name: string }[];
  /** The kind that the address names. */
  readonly first: string;
}

/** Asks to be let in to a kind of shopper: who, what for, and the code that proves the address. */
export function Join(props: Props) {
  return (
    <WithServer>
      <Steps {...props} />
    </WithServer>
  );
}

function Steps({ kinds, first }: Props) {
  const [said, setSaid] = useState({ group: first, name: '', email: '', word: '' });
  const [asked, setAsked] = useState<number | null>(null);
  const [code, setCode] = useState('');
  const [proved, setProved] = useState(false);
  const { busy, refusal, doing, forgetRefusal } = useDoing(['join']);
  const kind = kinds.find(({ id }) => id === said.group)?.name ?? '';
  const send = () =>
    doing(async () => {
      const { id } = await ask<{ id: number }>('/api/join', { method: 'POST', body: said });
      setAsked(id);
      return '';
    });
  const prove = () =>
    doing(async () => {
      await ask(`/api/join/${asked}/proof`, { method: 'POST', body: { email: said.email, code } });
      setProved(true);
      return '';
    });
  if (proved)
    return (
      <p className="mt-6" role="status">
        Your request is with us, {said.name}. Somebody looks at it, and writes to {said.email}.
      </p>
    );
  if (asked !== null)
    return (
      <form
        className="mt-6 space-y-3"
        noValidate
        onSubmit={(event) => {
          event.preventDefault();
          prove();
        }}
      >
        <p role="status">
          A letter with a code went to {said.email}. Nobody sees your request before it is typed here.
        </p>
        <FaultField
          label="Code out of the letter"
          inputMode="numeric"
          value={code}
          fault={refusal ? refusalWords(refusal) : null}
          onChange={setCode}
        />
        <p className="flex gap-2">
          <button type="submit" className="btn btn-primary" disabled={busy || code.trim() === ''}>
            This is the code
          </button>
          <button
            type="button"
            className="btn"
            onClick={() => {
              forgetRefusal();
              setAsked(null);
              setCode('');
            }}
          >
            Begin anew
          </button>
        </p>
      </form>
    );
  return (
    <form
      className="mt-6 space-y-3"
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        send();
      }}
    >
      <label className="block">
        What you ask for
        <select
          className="select mt-0.5 w-full"
          value={said.group}
          onChange={({ target }) => setSaid({ ...said, group: target.value })}
        >
          {kinds.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </select>
      </label>
      <Fields {...{ said, refusal }} onSaid={setSaid} />
      <button type="submit" className="btn btn-primary w-full" disabled={busy}>
        Ask for {kind}
      </button>
    </form>
  );
}

interface Said {
  readonly group: string;
  readonly name: string;
  readonly email: string;
  readonly word: string;
}

function Fields({
  said,
  refusal,
  onSaid,
}: {
  said: Said;
  refusal: Refusal | null;
  onSaid: (said: Said) => void;
}) {
  const faultOf = (field: string) =>
    refusal?.faults.find(({ path }) => path === `/${field}`)?.message ?? null;
  const elsewhere = refusal && !refusal.faults.some(({ path }) => ['/name', '/email'].includes(path));
  return (
    <>
      <FaultField
        label="Your name"
        inputMode="text"
        value={said.name}
        fault={faultOf('name')}
        onChange={(name) => onSaid({ ...said, name })}
      />
      <FaultField
        label="Your e-mail"
        inputMode="text"
        value={said.email}
        fault={faultOf('email')}
        onChange={(email) => onSaid({ ...said, email })}
      />
      <label className="block">
        Why we should let you in
        <textarea
          className="textarea mt-0.5 w-full"
          rows={3}
          maxLength={500}
          value={said.word}
          onChange={({ target }) => onSaid({ ...said, word: target.value })}
        />
      </label>
      {elsewhere ? <Notice tone="trouble">{refusalWords(refusal)}</Notice> : null}
    </>
  );
}
