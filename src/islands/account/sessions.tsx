import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import type { EndSessionsRequest } from '../../contracts/index.ts';
import type { SessionRow, SessionsView } from '../../contracts/view/index.ts';
import { Notice } from '../../ui/pieces/index.ts';
import { browserWords } from '../../ui/words/index.ts';
import { saidCount, shortMoment, timeIn } from '../../ui/writing/index.ts';
import { ask, readAnew, refusalOf } from '../server/index.ts';

const KEY = ['sessions'];

/** Where somebody is signed in, each of which they can end. */
export function Sessions({ timeZone }: { timeZone: string }) {
  const client = useQueryClient();
  const { data, error } = useQuery({
    queryKey: KEY,
    queryFn: () => ask<SessionsView>('/api/account/sessions'),
  });
  const [said, setSaid] = useState('');
  const [refused, setRefused] = useState('');

  async function end(body: EndSessionsRequest): Promise<void> {
    setRefused('');
    try {
      const { ended } = await ask<{ ended: number }>('/api/account/sessions', { method: 'DELETE', body });
      // Said once the list shows it.
      await readAnew(client, { queryKey: KEY });
      setSaid(ended === 1 ? 'Signed out at one place.' : `Signed out at ${saidCount(ended)} places.`);
    } catch (failure) {
      setRefused(refusalOf(failure).message);
      await readAnew(client, { queryKey: KEY });
    }
  }
  const others = data?.sessions.filter(({ here }) => !here) ?? [];
  return (
    <section aria-label="Where you are signed in" className="mt-8 max-w-3xl">
      <div className="flex flex-wrap items-baseline gap-x-4 gap-y-2">
        <h2 className="text-xl">Where you are signed in</h2>
        <span role="status" className="text-sm">
          {said}
        </span>
        {others.length > 0 ? (
          <button type="button" className="btn btn-sm ml-auto" onClick={() => end({ others: true })}>
            Sign out everywhere else
          </button>
        ) : null}
      </div>
      {refused || error ? <Notice tone="trouble">{refused || refusalOf(error).message}</Notice> : null}
      <ul className="mt-2">
        {(data?.sessions ?? []).map((one) => (
          <Session key={one.id} one={one} timeZone={timeZone} onEnd={() => end({ id: one.id })} />
        ))}
      </ul>
    </section>
  );
}

function Session({ one, timeZone, onEnd }: { one: SessionRow; timeZone: string; onEnd: () => void }) {
  const { here, since, usedAt, address, browser } = one;
  const moment = (instant: string) => shortMoment(timeIn(timeZone, instant), '');
  return (
    <li className="hairline flex flex-wrap items-baseline gap-x-6 gap-y-1 border-b py-2.5">
      <span className="min-w-56 font-medium" title={browser ?? undefined}>
        {browserWords(browser)}
      </span>
      <span className="quiet min-w-0 flex-1 text-sm">
        {address ? `from ${address}, ` : ''}signed in {moment(since)}
        {here ? '' : `, last used around ${moment(usedAt)}`}
      </span>
      {here ? (
        <b className="text-sm">this one</b>
      ) : (
        <button
          type="button"
          className="link min-h-6 text-sm"
          aria-label={`Sign out ${browserWords(browser)}, signed in ${moment(since)}`}
          onClick={onEnd}
        >
          Sign out
        </button>
      )}
    </li>
  );
}
