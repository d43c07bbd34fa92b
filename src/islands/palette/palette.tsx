import { useQuery } from '@tanstack/react-query';
import { Command } from 'cmdk';
import { useEffect, useRef, useState } from 'react';
import { flushSync } from 'react-dom';
import { idInAddress } from '../../contracts/index.ts';
import type { PromotionSummary } from '../../contracts/view/index.ts';
import { type Asked, askedBy, KEYS_ANSWER } from '../../ui/page-keys.ts';
import { PLACES } from '../../ui/places.ts';
import { ask, WithServer } from '../server/index.ts';

export interface PageKey {
  readonly key: string;
  readonly does: string;
}

const EVERYWHERE: readonly PageKey[] = [
  { key: 'Ctrl K', does: 'go anywhere, do anything' },
  { key: '/', does: 'search on this page' },
  { key: '?', does: 'show these keys' },
  { key: 'Esc', does: 'close what is open' },
];

/** What is done on pages of their own. */
const WAYS: readonly { place: string; does: string; path: string; planning?: true }[] = [
  { place: 'Plan', does: 'A new promotion, from its aim or kind', path: '/plan/begin', planning: true },
  { place: 'Plan', does: 'A new price change', path: '/plan/new', planning: true },
  { place: 'Plan', does: 'The calendar', path: '/plan/calendar' },
  { place: 'Check', does: 'All prices, by store', path: '/check' },
  { place: 'Check', does: 'One price, and why', path: '/check/price' },
  { place: 'Check', does: 'Prices over time', path: '/check/timeline' },
  { place: 'Check', does: 'A trial basket', path: '/check/basket' },
  { place: 'Check', does: 'Findings: what may be wrong', path: '/check/findings' },
  { place: 'Stockroom', does: 'Items', path: '/stockroom/items' },
  { place: 'Stockroom', does: 'Regular prices', path: '/stockroom/prices' },
  { place: 'Stockroom', does: 'New regular prices, ahead', path: '/stockroom/reprice', planning: true },
  { place: 'Stockroom', does: 'Sets', path: '/stockroom/itemSets' },
  { place: 'Stockroom', does: 'Stores', path: '/stockroom/stores' },
  { place: 'Stockroom', does: 'Ranges', path: '/stockroom/ranges' },
  { place: 'Stockroom', does: 'In and out of files', path: '/stockroom/files' },
];

type Shown = Asked | 'nothing';

/** Ctrl K goes anywhere, "/" searches the page, "?" lists the keys. */
export function Palette({ query, keys, plans }: { query: string; keys: readonly PageKey[]; plans: boolean }) {
  const [shown, setShown] = useState<Shown>('nothing');
  const dialog = useRef<HTMLDialogElement>(null);
  useEffect(() => {
    const listen = (event: KeyboardEvent) => {
      const next = askedBy(event);
      if (next === null) return;
      event.preventDefault();
      // At once: whoever pressed the keys goes on typing into it.
      flushSync(() => setShown(next));
      open(dialog.current);
    };
    document.addEventListener('keydown', listen);
    // Not while an effect runs: what was pressed until now opens at once, too.
    queueMicrotask(() => document.dispatchEvent(new Event(KEYS_ANSWER)));
    return () => document.removeEventListener('keydown', listen);
  }, []);
  useEffect(() => {
    if (shown === 'nothing') dialog.current?.close();
    else open(dialog.current);
  }, [shown]);
  return (
    <>
      <button
        type="button"
        className="btn btn-ghost btn-sm w-full justify-start font-normal"
        onClick={() => setShown('palette')}
      >
        Go to … <kbd className="kbd kbd-sm ml-auto">Ctrl K</kbd>
      </button>
      <dialog
        ref={dialog}
        aria-label={shown === 'keys' ? 'Keys of this page' : 'Go anywhere'}
        className="m-auto mt-[12vh] w-[34rem] max-w-[calc(100vw-2rem)] rounded-box border border-base-content/25 bg-base-100 p-3 text-base-content shadow-xl backdrop:bg-base-content/30"
        onClose={() => setShown('nothing')}
      >
        {shown === 'palette' ? (
          <WithServer>
            <Everything query={query} plans={plans} />
          </WithServer>
        ) : null}
        {shown === 'keys' ? <Keys keys={[...EVERYWHERE, ...keys]} close={() => setShown('nothing')} /> : null}
      </dialog>
    </>
  );
}

/** A dialog gives the focus to its first part that can have it, which need not be the one to type into. */
function open(dialog: HTMLDialogElement | null): void {
  if (!dialog || dialog.open) return;
  dialog.showModal();
  dialog.querySelector('input')?.focus();
}

function Keys({ keys, close }: { keys: readonly PageKey[]; close: () => void }) {
  return (
    <>
      <h2 className="mb-2 text-lg">Keys of this page</h2>
      <table className="rows">
        <tbody>
          {keys.map(({ key, does }) => (
            <tr key={key}>
              <td className="w-28">
                <kbd className="kbd kbd-sm">{key}</kbd>
              </td>
              <td>{does}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <button type="button" className="btn btn-sm mt-3" onClick={close}>
        Close
      </button>
    </>
  );
}

function Everything({ query, plans }: { query: string; plans: boolean }) {
  const [text, setText] = useState('');
  const promotions = useQuery({
    queryKey: ['promotions'],
    queryFn: () => ask<PromotionSummary[]>('/api/promotions'),
  });
  const items = useQuery({
    queryKey: ['items', text],
    queryFn: () => ask<{ sku: string; name: string }[]>(`/api/items?q=${encodeURIComponent(text)}`),
    enabled: text.length >= 2,
  });
  const go = (path: string) => location.assign(path);
  const item =
    'flex cursor-pointer gap-3 rounded-field px-2 py-1.5 data-[selected=true]:bg-accent data-[selected=true]:text-accent-content';
  const group =
    '[&_[cmdk-group-heading]]:quiet [&_[cmdk-group-heading]]:px-2 [&_[cmdk-group-heading]]:pt-2 [&_[cmdk-group-heading]]:text-xs';
  return (
    <Command label="Go anywhere" loop>
      <Command.Input
        autoFocus
        className="input w-full"
        placeholder="A place, a promotion, an item …"
        aria-label="A place, a promotion, an item"
        value={text}
        onValueChange={setText}
      />
      <Command.List className="mt-2 max-h-[50vh] overflow-y-auto" tabIndex={0}>
        <Command.Empty className="quiet px-2 py-1">Nothing by that name.</Command.Empty>
        <Command.Group heading="Places" className={group}>
          {PLACES.map(({ id, name, path, answers }) => (
            <Command.Item
              key={id}
              className={item}
              value={`${name} ${answers}`}
              onSelect={() => go(path + query)}
            >
              <span className="w-24">{name}</span>
              <span className="text-sm opacity-80">{answers}</span>
            </Command.Item>
          ))}
          {WAYS.filter(({ planning }) => plans || !planning).map(({ place, does, path }) => (
            <Command.Item
              key={path}
              className={item}
              value={`${place} ${does}`}
              onSelect={() => go(path + query)}
            >
              <span className="w-24">{place}</span>
              <span className="text-sm opacity-80">{does}</span>
            </Command.Item>
          ))}
        </Command.Group>
        {text.length >= 2 ? (
          <>
            <Command.Group heading="Items, checked" className={group}>
              {(items.data ?? []).slice(0, 8).map(({ sku, name }) => (
                <Command.Item
                  key={sku}
                  className={item}
                  value={`${name} ${sku} ${text}`}
                  onSelect={() =>
                    go(`/check/price${query}${query ? '&' : '?'}item=${encodeURIComponent(sku)}`)
                  }
                >
                  <span className="w-24 text-sm opacity-80">{sku}</span>
                  <span>{name}</span>
                </Command.Item>
              ))}
            </Command.Group>
            <Command.Group heading="Promotions" className={group}>
              {(promotions.data ?? []).map(({ id, name }) => (
                <Command.Item
                  key={id}
                  className={item}
                  value={`${name} ${id}`}
                  onSelect={() => go(`/plan/${idInAddress(id)}${query}`)}
                >
                  <span className="w-24 truncate text-sm opacity-80">{id}</span>
                  <span>{name}</span>
                </Command.Item>
              ))}
            </Command.Group>
          </>
        ) : null}
      </Command.List>
    </Command>
  );
}
