import { useEffect, useState } from 'react';
import { type Choices, type LensView, lensQuery } from '../../contracts/view/index.ts';
import { currencyOf } from '../../core/money/index.ts';
import type { PriceChangeDocument, WorksheetDocument } from '../../core/plan/index.ts';
import { namesOf } from '../../core/sentence/index.ts';
import {
  handPricedItems,
  handPrices,
  handPricesDocument,
  keyParts,
  type SheetFilter,
  type SheetLook,
} from '../../core/worksheet/index.ts';
import { saidCount, shortMoment, writing } from '../../ui/writing/index.ts';
import { differences, type SheetOutcome, sheetOutcome } from '../draft/outcome.ts';
import { type CellEdit, Sheet, type SheetRow } from '../sheet/index.ts';
import { AddLines } from './add-lines.tsx';
import { columnsFor, priceTyped, worksheetCells } from './cells.ts';
import { differingLines, withFileLines } from './file-lines.ts';
import { Filters } from './filters.tsx';
import { handKey, withItemPrices } from './hand-keys.ts';
import { Passes } from './passes.tsx';
import { placeNames } from './places.ts';
import { SheetFiles } from './sheet-files.tsx';
import { Elsewhere, Overtaking, worstWords } from './sheet-notes.tsx';
import { Sums } from './sums.tsx';
import { useSheetUndo } from './use-sheet-undo.ts';
import { type Repricing, type SheetFrame, useWorksheet } from './use-worksheet.ts';

export interface WorksheetProps {
  readonly frame: SheetFrame;
  readonly sheet: WorksheetDocument;
  /** The prices that were saved; null: the sheet is new. */
  readonly saved: Pick<PriceChangeDocument, 'linePrices' | 'linePricesIn'> | null;
  readonly choices: Choices;
  readonly view: LensView;
  readonly locked: boolean;
  /** What files of it are called. */
  readonly fileName: string;
  /** The sheet sets regular prices; absent: it is a price change. */
  readonly repricing?: Repricing;
  readonly onChange: (sheet: WorksheetDocument) => void;
  /** The prices that the sheet comes to, whenever they changed by the person's doing. */
  readonly onPrices: (outcome: SheetOutcome) => void;
  /** The supplier's costs by item, typed into the sheet; absent: the costs stand as they are. */
  readonly onCosts?: (costs: Record<string, string>) => void;
}

/** The columns that are typed into. */
const TYPED = ['price', 'cost'] as const;
const isTyped = (field: string): field is (typeof TYPED)[number] =>
  (TYPED as readonly string[]).includes(field);

interface WrongCell {
  readonly text: string;
  readonly words: string;
}

const cellKey = (sku: string, field: string): string => `${field} ${sku}`;

/** A price change over many items: passes, lines by hand, and what they come to. */
export function Worksheet(props: WorksheetProps) {
  const { frame, sheet, saved, choices, view, locked, fileName, repricing = null, onChange } = props;
  const regular = repricing !== null;
  const currency = currencyOf(choices.currency)!;
  const [filter, setFilter] = useState<SheetFilter>('all');
  const [text, setText] = useState('');
  const [sort, setSort] = useState<SheetLook['sort']>(null);
  const [held, setHeld] = useState({ first: 0, last: 0 });
  const [known, setKnown] = useState<Record<string, string>>({});
  const [wrong, setWrong] = useState<ReadonlyMap<string, WrongCell>>(new Map());
  const [touched, setTouched] = useState(saved === null);
  const look = { filter, text, sort, marginFloor: choices.marginFloor };
  const { facts, asking, refusal, again, answer } = useWorksheet(
    frame,
    sheet,
    choices.currency,
    look,
    view.store.id,
    repricing,
  );
  const items = Object.entries(known).map(([sku, name]) => ({ sku, name })) as never;
  const names = namesOf({ ...choices, items }, writing());
  const placeWords = placeNames(choices);
  const outcome = answer && sheetOutcome(answer.facts.lines, answer.results, answer.facts.stores, currency);
  const differs = outcome && saved ? differences(outcome, saved) : 0;
  const { onPrices, onCosts } = props;
  const outcomeKey = JSON.stringify(outcome);
  useEffect(() => {
    if (touched && outcomeKey !== 'null') onPrices(JSON.parse(outcomeKey) as SheetOutcome);
  }, [touched, outcomeKey, onPrices]);
  const steps = useSheetUndo(sheet, (next) => {
    setTouched(true);
    onChange(next);
  });
  const change = (part: Partial<WorksheetDocument>) => {
    setTouched(true);
    steps.remember();
    const { removed = [], ...rest } = { ...sheet, ...part };
    onChange({ ...rest, ...(removed.length > 0 ? { removed } : {}) });
  };
  const changeOwn = (prices: Readonly<Record<string, string>>, more: Partial<WorksheetDocument> = {}) => {
    const { own: _, ownIn: __, ...rest } = { ...sheet, ...more };
    change({ own: undefined, ownIn: undefined, ...rest, ...handPricesDocument(prices) });
  };

  const rowAt = (index: number): SheetRow | null => {
    const at = answer?.shown[index];
    if (!answer || at === undefined) return null;
    const line = answer.facts.lines[at]!;
    const cells = worksheetCells(line, answer.results[at]!, currency, placeWords);
    const key = handKey(line, answer.facts.lines);
    const typed = TYPED.flatMap((field) => {
      const cell = wrong.get(cellKey(key, field));
      return cell ? [[field, cell.text]] : [];
    });
    return { key, cells: { ...cells, ...Object.fromEntries(typed) } };
  };
  const edit = (edits: readonly CellEdit[]) => {
    const typed = {
      price: handPrices(sheet),
      cost: { ...frame.supplier?.costs } as Record<string, string>,
    };
    const faults = new Map(wrong);
    for (const { row, field, text: cell } of edits) {
      const there = rowAt(row);
      if (!there || !isTyped(field) || keyParts(there.key).since !== null) continue;
      const sku = there.cells.sku!;
      // A cost is the item's, wherever it counts; a price is the line's.
      const key = field === 'cost' ? sku : there.key;
      faults.delete(cellKey(there.key, field));
      const read = priceTyped(cell, currency);
      if (read.kind === 'price') typed[field][key] = read.price;
      else if (read.kind === 'wrong')
        faults.set(cellKey(there.key, field), { text: cell, words: `${sku}: ${read.words}` });
      else {
        if (!(key in typed[field])) delete typed[field][sku];
        delete typed[field][key];
      }
    }
    setWrong(faults);
    if (edits.some(({ field }) => field === 'price')) changeOwn(typed.price);
    if (edits.some(({ field }) => field === 'cost')) onCosts?.(typed.cost);
  };
  const heldSkus = () =>
    Array.from({ length: held.last - held.first + 1 }, (_, i) => rowAt(held.first + i)?.cells.sku).filter(
      (sku) => sku !== undefined,
    );
  const putAside = () => {
    const skus = heldSkus();
    const removed = new Set(sheet.removed);
    for (const sku of skus) filter === 'removed' ? removed.delete(sku) : removed.add(sku);
    change({ removed: [...removed].sort() });
  };
  const shown = answer?.shown.length ?? 0;
  const heldCount = Math.min(held.last, shown - 1) - held.first + 1;
  const columns = columnsFor(answer?.facts.lines ?? [], regular).map((column) => ({
    ...column,
    editable: !locked && (column.field === 'price' || (column.field === 'cost' && onCosts !== undefined)),
  }));
  const at = facts?.lookedAt;
  return (
    <section aria-label="Worksheet" aria-busy={asking} className="mt-8">
      <div className="flex flex-wrap items-baseline gap-x-4">
        <h2 className="text-xl">Worksheet</h2>
        <span className="quiet text-sm" role="status">
          {asking
            ? 'laying it out …'
            : at
              ? `in ${at.stores === 1 ? at.storeName : `${saidCount(at.stores)} stores`}, ${shortMoment(at.at, view.now)}`
              : facts && !regular
                ? 'no store or no moment of it comes'
                : ''}
        </span>
        {locked ? null : (
          <button type="button" className="link ml-auto text-sm" onClick={() => again()}>
            Run the passes again
          </button>
        )}
      </div>
      <Passes
        passes={sheet.passes}
        choices={choices}
        names={names}
        looking={{ store: view.store.id, at: view.at }}
        locked={locked}
        regular={regular}
        onKnown={(found) => setKnown((before) => ({ ...before, ...found }))}
        onChange={(passes) => change({ passes })}
      />
      {refusal ? (
        <p role="alert" className="mt-2 border-error border-l-4 pl-3 text-sm">
          {refusal.message} {refusal.faults.map(({ message }) => message).join('; ')}
        </p>
      ) : null}
      {!touched && differs > 0 ? (
        <p role="status" className="mt-3 border-primary border-l-4 pl-3 text-sm">
          Goods, costs or regular prices changed since this was saved: {differs}{' '}
          {differs === 1 ? 'line comes' : 'lines come'} out differently now. The saved prices count until you
          take the new ones.{' '}
          <button type="button" className="link" onClick={() => setTouched(true)}>
            Take the new prices
          </button>
        </p>
      ) : null}
      {facts && facts.elsewhere.length > 0 ? <Elsewhere facts={facts} query={lensQuery(view.lens)} /> : null}
      {facts && facts.unsold.length > 0 ? (
        <p className="quiet mt-1 text-sm">
          {facts.unsold.length} of its goods cannot be sold in any of these stores at that hour, and are left
          out.
        </p>
      ) : null}
      {answer && regular ? <Overtaking answer={answer} placeWords={placeWords} /> : null}
      {answer ? (
        <Sums
          sums={answer.sums}
          currency={currency}
          regular={regular}
          worst={worstWords(answer, placeWords)}
        />
      ) : null}
      <div className="mt-3 flex flex-wrap items-center gap-x-3 gap-y-2">
        <input
          type="search"
          data-search=""
          className="input input-sm w-52"
          placeholder="Find a line …"
          aria-label="Find a line"
          value={text}
          onChange={(event) => setText(event.target.value)}
        />
        {answer ? (
          <Filters counts={answer.counts} chosen={filter} regular={regular} onChange={setFilter} />
        ) : null}
        {!locked && shown > 0 ? (
          <button type="button" className="btn btn-sm ml-auto" onClick={putAside}>
            {filter === 'removed' ? 'Put back' : 'Take out'}{' '}
            {heldCount === 1 ? 'this line' : `these ${heldCount}`}
          </button>
        ) : null}
      </div>
      <div className="mt-2">
        {shown > 0 ? (
          <Sheet
            name="Lines of the worksheet"
            columns={columns}
            count={shown}
            rowAt={rowAt}
            onEdit={edit}
            onUndo={steps.undo}
            onRedo={steps.redo}
            onDeleteRows={locked ? undefined : putAside}
            onBlock={setHeld}
            sort={sort}
            onSort={(field) =>
              setSort(
                sort?.field !== field
                  ? { field: field as never, descending: false }
                  : sort.descending
                    ? null
                    : { ...sort, descending: true },
              )
            }
            noteAt={(row, field) => {
              const fault = wrong.get(cellKey(row.key, field));
              return fault ? { words: fault.words, wrong: true } : null;
            }}
            height="max(20rem, 100vh - 12rem)"
          />
        ) : (
          <p className="quiet py-4">
            {sheet.passes.length === 0 && handPricedItems(sheet).length === 0
              ? 'Begin with a pass over some goods, or paste lines.'
              : answer
                ? 'No line here.'
                : 'Working it out …'}
          </p>
        )}
      </div>
      {wrong.size > 0 ? (
        <p role="alert" className="mt-2 text-error text-sm">
          {[...wrong.values()]
            .map(({ words }) => words)
            .slice(0, 3)
            .join('; ')}
        </p>
      ) : null}
      <SheetFiles
        columns={columns}
        rows={() => Array.from({ length: shown }, (_, i) => rowAt(i)).filter((row) => row !== null)}
        locked={locked}
        name={fileName}
        differing={(lines) =>
          answer ? differingLines(lines, answer, currency) : lines.map((line) => ({ line, words: line.sku }))
        }
        onAdd={(lines) => changeOwn(withFileLines(handPrices(sheet), lines, answer?.facts.lines ?? []))}
      />
      {locked ? null : (
        <AddLines
          currency={currency}
          onAdd={(lines) => {
            const removed = (sheet.removed ?? []).filter((sku) => !(sku in lines));
            changeOwn(withItemPrices(handPrices(sheet), lines), { removed });
          }}
        />
      )}
    </section>
  );
}
