import { useQuery } from '@tanstack/react-query';
import { type FormEvent, useState } from 'react';
import type { SecondStepBegun, SecondStepView } from '../../contracts/view/index.ts';
import { Notice } from '../../ui/pieces/index.ts';
import { ask, refusalOf, refusalWords, useDoing } from '../server/index.ts';
import { Secret } from './secret.tsx';

const PATH = '/api/account/second-step';
const KEY = ['second-step'];
/** Fewer codes for a lost device than these are told. */
const FEW = 3;

/** A code of a device beside the password: begun, shown once, confirmed, ended. @param onBegun once it counts. */
export function SecondStep({ onBegun }: { onBegun?: () => void }) {
  const { data, error } = useQuery({ queryKey: KEY, queryFn: () => ask<SecondStepView>(PATH) });
  const [begun, setBegun] = useState<SecondStepBegun | null>(null);
  const { busy, said, refusal, doing } = useDoing();

  const begin = (password: string) =>
    doing(async () => {
      setBegun(await ask<SecondStepBegun>(PATH, { method: 'POST', body: { password } }));
      return '';
    });
  const confirm = (code: string) =>
    doing(async () => {
      await ask(PATH, { method: 'PUT', body: { code } });
      setBegun(null);
      onBegun?.();
      return 'From now on your sign-in asks for a code as well.';
    });
  const end = (password: string) =>
    doing(async () => {
      await ask(PATH, { method: 'DELETE', body: { password } });
      return 'Your password alone lets you in again.';
    });
  return (
    <section aria-label="A second step" className="mt-10 max-w-3xl space-y-3">
      <h2 className="text-xl">A second step</h2>
      <p className="quiet max-w-xl text-sm">
        A code that a device of yours makes anew every half minute is asked for beside the password: who
        learns the password alone does not get in.
      </p>
      {data?.on ? (
        <p>
          It is on. {data.codesLeft} {data.codesLeft === 1 ? 'code' : 'codes'} for a lost device{' '}
          {data.codesLeft === 1 ? 'is' : 'are'} left
          {data.codesLeft < FEW ? '; end it and begin it anew for ten more' : ''}.
        </p>
      ) : null}
      {refusal || error ? (
        <Notice tone="trouble" className="max-w-xl">
          {refusalWords(refusal ?? refusalOf(error))}
        </Notice>
      ) : null}
      {begun ? (
        <Begun begun={begun} busy={busy} onCode={confirm} onLeave={() => setBegun(null)} />
      ) : data ? (
        <PasswordFirst key={String(data.on)} on={data.on} busy={busy} onPassword={data.on ? end : begin} />
      ) : null}
      <p role="status" className="text-sm">
        {said}
      </p>
    </section>
  );
}

function PasswordFirst({
  on,
  busy,
  onPassword,
}: {
  on: boolean;
  busy: boolean;
  onPassword: (password: string) => void;
}) {
  return (
    <form
      aria-label={on ? 'End the second step' : 'Begin with a second step'}
      className="max-w-sm space-y-3"
      noValidate
      onSubmit={(event) => onPassword(fieldOf(event, 'password'))}
    >
      <Secret label="Your password" name="password" complete="current-password" />
      <button type="submit" className="btn btn-sm" disabled={busy}>
        {on ? 'End it' : 'Begin with it'}
      </button>
    </form>
  );
}

/** What is shown once: for the device, and for the day on which there is none. */
function Begun({
  begun: { picture, secret, codes },
  busy,
  onCode,
  onLeave,
}: {
  begun: SecondStepBegun;
  busy: boolean;
  onCode: (code: string) => void;
  onLeave: () => void;
}) {
  return (
    <ol className="list-decimal space-y-5 pl-5">
      <li>
        <p>
          Let an app that makes such codes read this picture, or type the letters and digits below it there.
        </p>
        <img
          className="mt-2 size-44 bg-white"
          alt="What the device reads: the same as the letters and digits below"
          src={`data:image/svg+xml,${encodeURIComponent(picture)}`}
        />
        <p className="mt-1 font-mono text-sm break-all">{inFours(secret)}</p>
      </li>
      <li>
        <p>Keep these codes where the device is not. Each lets you in once, and they are not shown again.</p>
        <ul
          aria-label="Codes for a lost device"
          className="mt-2 grid max-w-md grid-cols-2 gap-x-8 font-mono text-sm"
        >
          {codes.map((code) => (
            <li key={code}>{code}</li>
          ))}
        </ul>
      </li>
      <li>
        <form
          aria-label="Show that it works"
          className="space-y-2"
          noValidate
          onSubmit={(event) => onCode(fieldOf(event, 'code').replaceAll(/\s/g, ''))}
        >
          <label className="block text-sm">
            The code that the device shows now
            <input
              name="code"
              inputMode="numeric"
              autoComplete="one-time-code"
              className="input input-sm mt-0.5 block w-40"
            />
          </label>
          <p className="flex gap-2">
            <button type="submit" className="btn btn-primary btn-sm" disabled={busy}>
              Ask for it from now on
            </button>
            <button type="button" className="btn btn-sm" onClick={onLeave}>
              Leave it
            </button>
          </p>
        </form>
      </li>
    </ol>
  );
}

function fieldOf(event: FormEvent<HTMLFormElement>, name: string): string {
  event.preventDefault();
  return String(new FormData(event.currentTarget).get(name) ?? '');
}

const inFours = (secret: string): string => secret.replaceAll(/(.{4})(?=.)/g, '$1 ');
