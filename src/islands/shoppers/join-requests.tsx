import { useState } from 'react';
import { idInAddress } from '../../contracts/index.ts';
import type { JoinRequestView } from '../../contracts/view/index.ts';
import { Notice } from '../../ui/pieces/index.ts';
import { shortMoment, timeIn } from '../../ui/writing/index.ts';
import { ask, refusalWords, useDoing, WithServer } from '../server/index.ts';

interface Props {
  readonly requests: readonly JoinRequestView[];
  readonly timeZone: string;
  readonly now: string;
  readonly query: string;
}

/** Those who wait to be let in to a kind of shopper. */
export function JoinRequests(props: Props) {
  return (
    <WithServer>
      <Waiting {...props} />
    </WithServer>
  );
}

function Waiting({ requests, timeZone, now, query }: Props) {
  const [answered, setAnswered] = useState<
    Readonly<Record<number, { words: string; person: string | null }>>
  >({});
  return (
    <ul className="mt-2 max-w-3xl text-sm">
      {requests.map((request) => {
        const done = answered[request.id];
        return (
          <li key={request.id} className="hairline border-b py-2.5">
            <p>
              <b className="font-medium">{request.name}</b>, {request.email}, asks for{' '}
              <b className="font-medium">{request.group.name}</b>{' '}
              <span className="quiet">{shortMoment(timeIn(timeZone, request.askedAt), now)}</span>
            </p>
            {request.word === '' ? null : <p className="font-serif break-words">“{request.word}”</p>}
            {done ? (
              <p role="status">
                {done.words}{' '}
                {done.person ? (
                  <a className="link" href={`/stockroom/shopper/${idInAddress(done.person)}${query}`}>
                    number {done.person}
                  </a>
                ) : null}
              </p>
            ) : (
              <Answer
                request={request}
                onDone={(words, person) => setAnswered({ ...answered, [request.id]: { words, person } })}
              />
            )}
          </li>
        );
      })}
    </ul>
  );
}

function Answer({
  request: { id, name },
  onDone,
}: {
  request: JoinRequestView;
  onDone: (words: string, person: string | null) => void;
}) {
  const [word, setWord] = useState('');
  const { busy, refusal, doing } = useDoing(['join']);
  const answer = (what: 'let-in' | 'refused') =>
    doing(async () => {
      const { person } = await ask<{ person: string | null }>(`/api/join/${id}/answer`, {
        method: 'POST',
        body: { answer: what, word },
      });
      onDone(what === 'let-in' ? 'Let in, and written to:' : 'Not let in, and written to.', person);
      return '';
    });
  return (
    <>
      <p className="mt-1 flex flex-wrap items-end gap-2">
        <label className="block grow">
          A word to {name}
          <input
            className="input input-sm mt-0.5 block w-full max-w-md"
            value={word}
            maxLength={500}
            onChange={({ target }) => setWord(target.value)}
          />
        </label>
        <button
          type="button"
          className="btn btn-primary btn-sm"
          aria-label={`Let ${name} in`}
          disabled={busy}
          onClick={() => answer('let-in')}
        >
          Let in
        </button>
        <button
          type="button"
          className="btn btn-sm"
          aria-label={`Do not let ${name} in`}
          disabled={busy}
          onClick={() => answer('refused')}
        >
          Not let in
        </button>
      </p>
      {refusal ? <Notice tone="trouble">{refusalWords(refusal)}</Notice> : null}
    </>
  );
}
