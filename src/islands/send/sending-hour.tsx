import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { idInAddress } from '../../contracts/index.ts';
import type { SendingHour, SendingHourView } from '../../contracts/view/index.ts';
import { FINDING_WORDS } from '../../ui/words/index.ts';
import { saidCount, shortMoment, timeIn, zoneWords } from '../../ui/writing/index.ts';
import { ask, readAnew, refusalOf } from '../server/index.ts';

const PATH = '/api/send/hour';

/** Whether somebody sends what is approved, or it goes out by itself, and what came of that the last time. */
export function ByItself({
  rules,
  query,
  timeZone,
}: {
  rules: boolean;
  query: string;
  /** In which it is told when it last was. */
  timeZone: string;
}) {
  const { data } = useQuery({ queryKey: ['sending-hour'], queryFn: () => ask<SendingHourView>(PATH) });
  const [open, setOpen] = useState(false);
  if (!data) return null;
  const { hour, next, last } = data;
  return (
    <section className="mt-4 text-sm" aria-label="Sending by itself">
      <p>
        {hour && next
          ? `What is approved goes out by itself every day at ${hour.time} (${zoneWords(hour.timeZone)}), next ${shortMoment(next, '')}, unless something grave was found about it.`
          : 'Nothing goes out until somebody sends it.'}{' '}
        {rules ? (
          <button type="button" className="link" aria-expanded={open} onClick={() => setOpen(!open)}>
            {hour ? 'Change that' : 'Let it go out by itself'}
          </button>
        ) : null}
      </p>
      {open ? <HourForm view={data} onDone={() => setOpen(false)} /> : null}
      {last ? <LastTime last={last} query={query} timeZone={timeZone} /> : null}
    </section>
  );
}

function LastTime({
  last,
  query,
  timeZone,
}: {
  last: NonNullable<SendingHourView['last']>;
  query: string;
  timeZone: string;
}) {
  const { at, rollout, stores, left } = last;
  const went =
    rollout === null
      ? 'there was nothing to send'
      : `price file ${rollout} went to ${stores === 1 ? 'one store' : `${saidCount(stores)} stores`}`;
  return (
    <>
      <p className="quiet">
        The last time, {shortMoment(timeIn(timeZone, at), '')}, {went}.
      </p>
      {left.length > 0 ? (
        <>
          <p className="mt-1 font-medium">
            {left.length === 1 ? 'One promotion was' : `${saidCount(left.length)} promotions were`} left for
            somebody to look at:
          </p>
          <ul>
            {left.map(({ id, name, why }) => (
              <li key={id}>
                <a className="link" href={`/plan/${idInAddress(id)}${query}`}>
                  {name}
                </a>
                : {whyWords(why)}
              </li>
            ))}
          </ul>
        </>
      ) : null}
    </>
  );
}

function whyWords(why: NonNullable<SendingHourView['last']>['left'][number]['why']): string {
  switch (why) {
    case null:
      return 'something grave was found about it';
    case 'loses-money':
      return 'a basket with it loses money';
    case 'kept-basket':
      return 'with it a kept basket does not come to what it should';
    default:
      return FINDING_WORDS[why].toLowerCase();
  }
}

/** Each change counts once it is kept: nothing that was due before is made up for. */
function HourForm({ view, onDone }: { view: SendingHourView; onDone: () => void }) {
  const client = useQueryClient();
  const { hour, timeZones } = view;
  const [time, setTime] = useState(hour?.time ?? '18:00');
  const [timeZone, setTimeZone] = useState(hour?.timeZone ?? timeZones[0] ?? 'UTC');
  const [said, setSaid] = useState('');
  async function keep(next: SendingHour | null): Promise<void> {
    try {
      await ask(PATH, { method: 'PUT', body: { hour: next } });
      onDone();
    } catch (error) {
      const { message, faults } = refusalOf(error);
      setSaid([message, ...faults.map((fault) => fault.message)].join(' '));
    }
    await readAnew(client, { queryKey: ['sending-hour'] });
  }
  return (
    <form
      className="mt-2 flex flex-wrap items-end gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        keep({ time, timeZone });
      }}
    >
      <label className="block">
        Every day at
        <input
          type="time"
          required
          className="input input-sm mt-0.5 block w-32"
          value={time}
          onChange={({ target }) => setTime(target.value)}
        />
      </label>
      <label className="block">
        By the clock of
        <select
          className="select select-sm mt-0.5 block w-auto"
          value={timeZone}
          onChange={({ target }) => setTimeZone(target.value)}
        >
          {[...new Set([timeZone, ...timeZones])].map((zone) => (
            <option key={zone} value={zone}>
              {zoneWords(zone)}
            </option>
          ))}
        </select>
      </label>
      <button type="submit" className="btn btn-primary btn-sm">
        Let it go out then
      </button>
      {hour ? (
        <button type="button" className="btn btn-sm" onClick={() => keep(null)}>
          Somebody sends it
        </button>
      ) : null}
      <p role="status" className="w-full">
        {said}
      </p>
    </form>
  );
}
