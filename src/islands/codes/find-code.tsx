import { useState } from 'react';
import { idInAddress } from '../../contracts/index.ts';
import type { FoundCode } from '../../contracts/view/index.ts';
import { Notice } from '../../ui/pieces/index.ts';
import { shortMoment, timeIn } from '../../ui/writing/index.ts';
import { ask, refusalWords, useDoing, WithServer } from '../server/index.ts';

const STATES: Readonly<Record<FoundCode['state'], string>> = {
  good: 'good',
  used: 'used',
  withdrawn: 'withdrawn: nobody can use it',
  'not-started': 'not good yet',
  over: 'over',
};

/** On a page of its own. */
export function FindCode(props: { plans: boolean; now: string }) {
  return (
    <WithServer>
      <FindCodeHere {...props} />
    </WithServer>
  );
}

/** Looks one code up: what it is, and who used it. @param plans whether the person may withdraw it. */
export function FindCodeHere({ plans, now }: { plans: boolean; now: string }) {
  const [text, setText] = useState('');
  const [found, setFound] = useState<FoundCode | null>(null);
  const { busy, said, refusal, doing } = useDoing(['codes']);
  const look = (code: string) =>
    doing(async () => {
      setFound(null);
      setFound(await ask<FoundCode>('/api/codes/find', { method: 'POST', body: { code } }));
      return '';
    });
  const withdraw = (code: string) =>
    doing(async () => {
      await ask('/api/codes/withdraw', { method: 'POST', body: { code } });
      setFound(null);
      return `${code} is withdrawn.`;
    });
  return (
    <section aria-label="Look a code up" className="mt-4 text-sm">
      <form
        className="flex flex-wrap items-end gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          if (text.trim() !== '') look(text.trim());
        }}
      >
        <label className="block">
          A code that somebody has
          <input
            className="input input-sm mt-0.5 block w-56"
            value={text}
            autoComplete="off"
            spellCheck={false}
            onChange={({ target }) => setText(target.value)}
          />
        </label>
        <button type="submit" className="btn btn-sm" disabled={busy}>
          Look it up
        </button>
      </form>
      <p role="status">{said}</p>
      {refusal ? <Notice tone="trouble">{refusalWords(refusal)}</Notice> : null}
      {found ? (
        <Found found={found} now={now} onWithdraw={plans ? () => withdraw(found.code) : null} />
      ) : null}
    </section>
  );
}

function Found({
  found: { code, promotion, batch, state, uses },
  now,
  onWithdraw,
}: {
  found: FoundCode;
  now: string;
  onWithdraw: (() => void) | null;
}) {
  return (
    <div className="mt-2">
      <p>
        <code>{code}</code> is {batch?.test ? 'a test code' : batch ? 'a single-use code' : 'a shared code'}{' '}
        of{' '}
        <a className="link" href={`/plan/${idInAddress(promotion.id)}`}>
          {promotion.name}
        </a>
        {batch ? `, batch ${batch.id}: ${STATES[state]}` : ''}.
        {batch && onWithdraw && state !== 'withdrawn' ? (
          <button type="button" className="link ml-3" onClick={onWithdraw}>
            Withdraw it
          </button>
        ) : null}
      </p>
      {uses.length === 0 ? <p className="quiet">No receipt in your stores has used it.</p> : null}
      <ul>
        {uses.map(({ at, storeName, timeZone, terminal, basket, over }) => (
          <li key={`${terminal} ${basket}`}>
            {shortMoment(timeIn(timeZone, at), now)} at {storeName}, till {terminal}, receipt{' '}
            {basket.slice(0, 8)}
            {over ? ', beyond what it is good for' : ''}
          </li>
        ))}
      </ul>
    </div>
  );
}
