import { type FormEvent, useState } from 'react';
import { PASSWORD_LENGTH } from '../../contracts/index.ts';
import { Notice } from '../../ui/pieces/index.ts';
import { ask, refusalWords, useDoing } from '../server/index.ts';
import { Secret } from './secret.tsx';

/** Another password, for who knows the one that holds. */
export function NewPassword() {
  const { busy, said, refusal, doing } = useDoing();
  const [fault, setFault] = useState('');

  async function change(event: FormEvent<HTMLFormElement>): Promise<void> {
    event.preventDefault();
    const form = event.currentTarget;
    const { current, password, again } = Object.fromEntries(new FormData(form)) as Record<string, string>;
    const found = faultOf(password ?? '', again ?? '');
    setFault(found);
    if (found) return;
    await doing(async () => {
      await ask('/api/account/password', { method: 'POST', body: { current, password } });
      form.reset();
      return 'Your password is changed, and you are signed out everywhere else.';
    });
  }
  const refused = fault || (refusal ? refusalWords(refusal) : '');
  return (
    <form aria-label="Another password" className="mt-10 max-w-sm space-y-3" noValidate onSubmit={change}>
      <h2 className="text-xl">Another password</h2>
      <p className="quiet text-sm">
        At least {PASSWORD_LENGTH.least} characters. You are signed out everywhere else with it.
      </p>
      <Secret label="The one that holds now" name="current" complete="current-password" />
      <Secret label="The new one" name="password" complete="new-password" />
      <Secret label="The new one once more" name="again" complete="new-password" />
      {refused ? <Notice tone="trouble">{refused}</Notice> : null}
      <p className="flex items-baseline gap-3">
        <button type="submit" className="btn btn-primary btn-sm" disabled={busy}>
          Change it
        </button>
        <span role="status" className="text-sm">
          {fault ? '' : said}
        </span>
      </p>
    </form>
  );
}

const faultOf = (password: string, again: string): string => {
  if (password.length < PASSWORD_LENGTH.least)
    return `The new one is too short: at least ${PASSWORD_LENGTH.least} characters.`;
  return password === again ? '' : 'The new one and its repetition are not the same.';
};
