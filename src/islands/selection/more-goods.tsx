import { useState } from 'react';
import { readDecimal } from '../../contracts/table/index.ts';
import type { Choices } from '../../contracts/view/index.ts';
import type { ItemRule } from '../../core/plan/index.ts';
import { asTyped } from '../../ui/writing/index.ts';
import { ask, refusalOf } from '../server/index.ts';

/** Goods by what is typed rather than picked: by regular price, and by a list of numbers from a spreadsheet. */
export function MoreGoods({
  choices,
  onAdd,
  onKnown,
}: {
  choices: Choices;
  onAdd: (rule: ItemRule) => void;
  onKnown?: (names: Record<string, string>) => void;
}) {
  return (
    <span className="mt-2 grid gap-2 border-base-300 border-t pt-2">
      <ByPrice currency={choices.currency} onAdd={onAdd} />
      <ByList onAdd={onAdd} onKnown={onKnown} />
    </span>
  );
}

function ByPrice({ currency, onAdd }: { currency: string; onAdd: (rule: ItemRule) => void }) {
  const [low, setLow] = useState('');
  const [high, setHigh] = useState('');
  const bound = (text: string) => (text.trim() === '' ? undefined : readDecimal(asTyped(text)));
  const [atLeast, atMost] = [bound(low), bound(high)];
  const wrong = atLeast === null || atMost === null;
  const empty = atLeast === undefined && atMost === undefined;
  return (
    <span className="flex flex-wrap items-center gap-1.5">
      Regular price from
      <input
        className="input input-xs w-18 tabular-nums"
        inputMode="decimal"
        aria-label={`Regular price from, ${currency}`}
        aria-invalid={atLeast === null}
        value={low}
        onChange={(event) => setLow(event.target.value)}
      />
      to
      <input
        className="input input-xs w-18 tabular-nums"
        inputMode="decimal"
        aria-label={`Regular price to, ${currency}`}
        aria-invalid={atMost === null}
        value={high}
        onChange={(event) => setHigh(event.target.value)}
      />
      <button
        type="button"
        className="btn btn-xs"
        disabled={wrong || empty}
        onClick={() =>
          onAdd({
            regularPrice: { ...(atLeast ? { atLeast } : {}), ...(atMost ? { atMost } : {}) },
          })
        }
      >
        Add
      </button>
      {wrong ? <span className="text-error">wanted: an amount such as 12.50</span> : null}
    </span>
  );
}

/** Numbers and barcodes as they come out of a spreadsheet or a mail: whatever stands between them. */
function ByList({
  onAdd,
  onKnown,
}: {
  onAdd: (rule: ItemRule) => void;
  onKnown?: (names: Record<string, string>) => void;
}) {
  const [text, setText] = useState('');
  const [said, setSaid] = useState<string | null>(null);
  const take = async () => {
    const codes = [...new Set(text.split(/[\s,;]+/).filter(Boolean))];
    try {
      const { found, missing } = await ask<{ found: { sku: string; name: string }[]; missing: string[] }>(
        '/api/items',
        { method: 'POST', body: { codes } },
      );
      onKnown?.(Object.fromEntries(found.map(({ sku, name }) => [sku, name])));
      if (found.length > 0) onAdd({ items: found.map(({ sku }) => sku) });
      setText(missing.join(' '));
      setSaid(
        missing.length === 0
          ? `${found.length} added.`
          : `${found.length} added; not known, and still here: ${missing.slice(0, 5).join(', ')}${missing.length > 5 ? ` and ${missing.length - 5} more` : ''}.`,
      );
    } catch (error) {
      setSaid(refusalOf(error).message);
    }
  };
  return (
    <span className="flex flex-wrap items-center gap-1.5">
      <input
        className="input input-xs min-w-0 flex-1"
        aria-label="Item numbers or barcodes, pasted"
        placeholder="Paste item numbers or barcodes"
        value={text}
        onChange={(event) => setText(event.target.value)}
      />
      <button type="button" className="btn btn-xs" disabled={text.trim() === ''} onClick={take}>
        Add
      </button>
      {said ? (
        <span className="w-full" role="status">
          {said}
        </span>
      ) : null}
    </span>
  );
}
