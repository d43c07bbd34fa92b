import { useState } from 'react';
import { readAmountText } from '../../contracts/table/index.ts';
import type { Currency } from '../../core/money/index.ts';
import { asTyped } from '../../ui/writing/index.ts';
import { ask, refusalOf } from '../server/index.ts';
import { fromClipboard, nearClipboard } from '../sheet/index.ts';

/** Lines from a spreadsheet or a mail: a number or barcode and its price on each, whatever stands between them. */
export function AddLines({
  currency,
  onAdd,
}: {
  currency: Currency;
  onAdd: (lines: Record<string, string>) => void;
}) {
  const [text, setText] = useState('');
  const [said, setSaid] = useState<readonly string[]>([]);
  async function add() {
    await nearClipboard();
    const rows = text
      .split('\n')
      .flatMap((line, i) => (line.trim() === '' ? [] : [readLine(line, i + 1, currency)]));
    // What a spreadsheet writes above its columns is no line.
    if (rows.length > 1 && rows[0]!.fault !== null && !/\d/.test(rows[0]!.line)) rows.shift();
    const good = rows.filter((row) => row.fault === null);
    try {
      const { found, missing } = await ask<{
        found: { sku: string; gtin: string | null }[];
        missing: string[];
      }>('/api/items', { method: 'POST', body: { codes: [...new Set(good.map(({ code }) => code))] } });
      const skus = new Map(
        found.flatMap(({ sku, gtin }) => [[sku, sku] as const, [gtin ?? sku, sku] as const]),
      );
      const lines = good.flatMap(({ code, price }) =>
        skus.has(code) ? [[skus.get(code)!, price] as const] : [],
      );
      onAdd(Object.fromEntries(lines));
      const left = rows.filter(({ code, fault }) => fault !== null || missing.includes(code));
      setText(left.map(({ line }) => line).join('\n'));
      setSaid([
        `${lines.length} ${lines.length === 1 ? 'line' : 'lines'} added.`,
        ...left.map(({ at, code, fault }) => `Line ${at}: ${fault ?? `no item or barcode "${code}"`}.`),
      ]);
    } catch (error) {
      setSaid([refusalOf(error).message]);
    }
  }
  return (
    <details className="mt-3 text-sm">
      <summary className="cursor-pointer underline decoration-dotted underline-offset-4">Paste lines</summary>
      <label className="mt-2 block max-w-xl">
        On each line an item number or barcode and its new price, as they come out of a spreadsheet
        <textarea
          className="textarea textarea-sm mt-1 w-full font-mono"
          rows={5}
          value={text}
          onChange={(event) => setText(event.target.value)}
        />
      </label>
      <button type="button" className="btn btn-sm mt-2" disabled={text.trim() === ''} onClick={add}>
        Add these lines
      </button>
      <div role="status">
        <ul>
          {said.slice(0, 12).map((words) => (
            <li key={words}>{words}</li>
          ))}
          {said.length > 12 ? <li>and {said.length - 12} more</li> : null}
        </ul>
      </div>
    </details>
  );
}

function readLine(line: string, at: number, currency: Currency) {
  const parts = (line.includes('\t') ? fromClipboard(line)![0]! : line.trim().split(/\s*;\s*|\s+/)).filter(
    (part) => part.trim() !== '',
  );
  const code = (parts[0] ?? '').trim();
  if (parts.length < 2) return { line, at, code, price: '', fault: 'no price stands beside the number' };
  const read = readAmountText(asTyped(parts.at(-1)!), currency);
  return read.ok
    ? { line, at, code, price: read.amount, fault: null }
    : { line, at, code, price: '', fault: `${read.what}; wanted: ${read.wanted}` };
}
