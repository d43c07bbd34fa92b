import { useEffect, useMemo, useReducer } from 'react';
import { currencyOf } from '../../core/money/index.ts';
import type { WorksheetDocument } from '../../core/plan/index.ts';
import { handPrices, handPricesDocument } from '../../core/worksheet/index.ts';
import { differences, sheetOutcome } from '../draft/outcome.ts';
import { useSame } from '../server/index.ts';
import type { CellEdit, SheetRow } from '../sheet/index.ts';
import { worksheetCells } from './cells.ts';
import { sheetDeskAfter, sheetDeskOf } from './desk.ts';
import { withFileLines } from './file-lines.ts';
import { handKey, withItemPrices } from './hand-keys.ts';
import { placeNames } from './places.ts';
import type { FileLine } from './sheet-files.tsx';
import { afterTyping, cellKey, TYPED } from './typed-cells.ts';
import { useWorksheet } from './use-worksheet.ts';
import type { WorksheetProps } from './worksheet-props.ts';

/** The desk of a worksheet: how it is looked at, what its passes come to, and everything that changes it. */
export function useSheetDesk(props: WorksheetProps) {
  const { frame, sheet, saved, choices, view, repricing = null, onChange, onPrices, onCosts } = props;
  const currency = useMemo(() => currencyOf(choices.currency)!, [choices.currency]);
  const [desk, tell] = useReducer(sheetDeskAfter, saved !== null, sheetDeskOf);
  const { filter, text, sort, touched, past, future } = desk;
  const look = useSame({ filter, text, sort, marginFloor: choices.marginFloor });
  const { facts, asking, refusal, again, answer } = useWorksheet(frame, sheet, choices.currency, look, {
    store: view.store.id,
    repricing,
  });
  const placeWords = useMemo(() => placeNames(choices), [choices]);
  const outcome = useMemo(
    () => answer && sheetOutcome(answer.facts.lines, answer.results, answer.facts.stores, currency),
    [answer, currency],
  );
  useEffect(() => {
    if (touched && outcome) onPrices(outcome);
  }, [touched, outcome, onPrices]);

  const change = (part: Partial<WorksheetDocument>) => {
    tell({ type: 'written', before: sheet });
    const { removed = [], ...rest } = { ...sheet, ...part };
    onChange({ ...rest, ...(removed.length > 0 ? { removed } : {}) });
  };
  const changeOwn = (prices: Readonly<Record<string, string>>, more: Partial<WorksheetDocument> = {}) => {
    const { own: _, ownIn: __, ...rest } = { ...sheet, ...more };
    change({ own: undefined, ownIn: undefined, ...rest, ...handPricesDocument(prices) });
  };
  const moved = (type: 'undone' | 'redone', to: WorksheetDocument | undefined) => () => {
    if (!to) return;
    tell({ type, now: sheet });
    onChange(to);
  };
  const rowAt = (index: number): SheetRow | null => {
    const at = answer?.shown[index];
    if (!answer || at === undefined) return null;
    const line = answer.facts.lines[at]!;
    const key = handKey(line, answer.facts.lines);
    const typed = TYPED.flatMap((field) => {
      const cell = desk.wrong.get(cellKey(key, field));
      return cell ? [[field, cell.text]] : [];
    });
    const cells = worksheetCells(line, answer.results[at]!, currency, placeWords);
    return { key, cells: { ...cells, ...Object.fromEntries(typed) } };
  };
  const shown = answer?.shown.length ?? 0;
  const { first, last } = desk.held;

  return {
    desk,
    tell,
    sheet,
    currency,
    facts,
    answer,
    asking,
    refusal,
    again,
    placeWords,
    rowAt,
    /** How many lines are shown, and how many of them are chosen. */
    shown,
    heldCount: Math.min(last, shown - 1) - first + 1,
    /** In how many places it comes out otherwise than it was saved. */
    differs: outcome && saved ? differences(outcome, saved) : 0,
    onPasses: (passes: WorksheetDocument['passes']) => change({ passes }),
    onUndo: moved('undone', past.at(-1)),
    onRedo: moved('redone', future[0]),
    onEdit(edits: readonly CellEdit[]) {
      const before = { price: handPrices(sheet), cost: frame.supplier?.costs ?? {}, wrong: desk.wrong };
      const { price, cost, wrong } = afterTyping(before, edits, rowAt, currency);
      tell({ type: 'typed', wrong });
      if (edits.some(({ field }) => field === 'price')) changeOwn(price);
      if (edits.some(({ field }) => field === 'cost')) onCosts?.(cost);
    },
    /** Takes the chosen lines out, or puts them back where those taken out are looked at. */
    onPutAside() {
      const removed = new Set(sheet.removed);
      for (let row = first; row <= last; row++) {
        const sku = rowAt(row)?.cells.sku;
        if (sku === undefined) continue;
        if (filter === 'removed') removed.delete(sku);
        else removed.add(sku);
      }
      change({ removed: [...removed].sort() });
    },
    onFileLines: (lines: readonly FileLine[]) =>
      changeOwn(withFileLines(handPrices(sheet), lines, answer?.facts.lines ?? [])),
    onItemPrices(lines: Readonly<Record<string, string>>) {
      const removed = (sheet.removed ?? []).filter((sku) => !(sku in lines));
      changeOwn(withItemPrices(handPrices(sheet), lines), { removed });
    },
  };
}

export type SheetAt = ReturnType<typeof useSheetDesk>;
