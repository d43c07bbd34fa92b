import type { TerminalsRequest } from '../../contracts/index.ts';
import type { TerminalsView } from '../../contracts/view/index.ts';
import { numberWords } from '../../core/price-file/index.ts';
import { senderWords, TROUBLE_HEADS } from '../../ui/words/index.ts';
import { saidClock, saidCount } from '../../ui/writing/index.ts';
import { TerminalRows } from './terminal-rows.tsx';
import { TerminalsByPlace } from './terminals-by-place.tsx';

export interface Asking {
  /** Which terminals are looked at. */
  readonly asked: TerminalsRequest;
  readonly onAsk: (asked: TerminalsRequest) => void;
}

/** How the terminals stand, by group and by store, and what each of those looked at holds. */
export function Terminals({
  view,
  failed,
  asked,
  onAsk,
  now,
  query,
}: Asking & {
  view: TerminalsView | null;
  failed: boolean;
  now: string;
  /** Of the lens, for links. */
  query: string;
}) {
  if (!view)
    return (
      <section id="terminals" className="mt-10">
        <h2 className="text-xl">Terminals</h2>
        <p className="quiet mt-2" role="status">
          {failed ? 'The terminals could not be read. This page asks again by itself.' : 'Reading …'}
        </p>
      </section>
    );
  return (
    <section id="terminals" className="mt-10">
      <div className="flex flex-wrap items-baseline gap-x-5 gap-y-2">
        <h2 className="text-xl">Terminals</h2>
        <p>
          <b>{saidCount(view.counts.upToDate)}</b> of {saidCount(view.counts.all)} hold what their store was
          sent
        </p>
      </div>
      <TerminalsByPlace view={view} asked={asked} onAsk={onAsk} />
      <LookedAt view={view} asked={asked} onAsk={onAsk} />
      <TerminalRows view={view} asked={asked} onAsk={onAsk} query={query} />
      <p className="quiet mt-2 text-sm">
        Last sendings:{' '}
        {view.rollouts
          .slice(0, 5)
          .map(
            ({ id, stores, createdBy }) =>
              `no. ${numberWords(id)} to ${stores === 1 ? '1 store' : `${saidCount(stores)} stores`} by ${senderWords(createdBy)}`,
          )
          .join('; ') || 'none yet'}
        . It is {saidClock(now.slice(11))} at the store you look at.
      </p>
    </section>
  );
}

/** Which of them are listed below, in words, and how to look at others. */
function LookedAt({ view, asked, onAsk }: Asking & { view: TerminalsView }) {
  const places = [
    view.groups.find(({ id }) => id === asked.group)?.name,
    view.stores.find(({ id }) => id === asked.store)?.name,
    asked.trouble && TROUBLE_HEADS[asked.trouble].toLowerCase(),
  ].filter((one) => one !== undefined);
  return (
    <div className="mt-5 flex flex-wrap items-center gap-x-4 gap-y-2">
      <p role="status">
        <b>{saidCount(view.meant)}</b>{' '}
        {places.length > 0 ? places.join(', ') : asked.all || asked.find ? 'in all' : 'with trouble'}
        {places.length > 0 ? (
          <button
            type="button"
            className="link ml-3"
            onClick={() => onAsk({ find: asked.find, ...(asked.all ? { all: asked.all } : {}) })}
          >
            Look at all stores
          </button>
        ) : null}
      </p>
      <div className="ml-auto flex flex-wrap items-center gap-x-4 gap-y-2 text-sm">
        <input
          type="search"
          className="input input-sm w-56"
          aria-label="Find a terminal or a store"
          placeholder="Find a terminal or a store"
          value={asked.find ?? ''}
          onChange={({ target }) => onAsk({ ...asked, find: target.value, most: undefined })}
        />
        <label className="flex items-center gap-2">
          <input
            type="checkbox"
            className="checkbox"
            checked={asked.all === '1'}
            onChange={({ target }) =>
              onAsk({ ...asked, all: target.checked ? '1' : undefined, trouble: undefined })
            }
          />
          Show those without trouble too
        </label>
      </div>
    </div>
  );
}
