import { useState } from 'react';
import type { FoundShopper, FoundShoppers } from '../../contracts/view/index.ts';
import { ask, refusalWords, useDoing } from '../server/index.ts';
import { calledWords, kindWords } from './shopper-words.ts';

/** Finds somebody by name, number or card, and hands them on. It stands in panels, within a form of their own or none. */
export function PickShopper({ onPick }: { onPick: (shopper: FoundShopper) => void }) {
  const [text, setText] = useState('');
  const [found, setFound] = useState<FoundShoppers | null>(null);
  const { busy, refusal, doing } = useDoing(['shoppers found']);
  const look = () => {
    if (text.trim() === '') return;
    doing(async () => {
      const body = { text: text.trim() };
      setFound(await ask<FoundShoppers>('/api/shoppers/find', { method: 'POST', body }));
      return '';
    });
  };
  return (
    <span className="block text-sm">
      <span className="flex items-end gap-2">
        <label className="block grow">
          A name, a number or a card
          <input
            className="input input-sm mt-0.5 block w-full"
            value={text}
            autoComplete="off"
            spellCheck={false}
            onChange={({ target }) => setText(target.value)}
            onKeyDown={(event) => {
              if (event.key !== 'Enter') return;
              event.preventDefault();
              look();
            }}
          />
        </label>
        <button type="button" className="btn btn-sm" disabled={busy} onClick={look}>
          Find
        </button>
      </span>
      {refusal ? (
        <span role="alert" className="block text-error">
          {refusalWords(refusal)}
        </span>
      ) : null}
      {found?.found.length === 0 ? (
        <span role="status" className="block">
          Nobody by that.
        </span>
      ) : null}
      {(found?.found ?? []).map((one) => (
        <button
          type="button"
          key={one.id}
          className="hover:bg-base-200 block w-full px-1 py-1 text-left"
          onClick={() => onPick(one)}
        >
          {calledWords(one)}{' '}
          <span className="quiet">
            {kindWords(one)}, number {one.id}
          </span>
        </button>
      ))}
    </span>
  );
}
