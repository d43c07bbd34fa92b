import { namesOf } from '../../core/sentence/index.ts';
import { saidCount, shortMoment, writing } from '../../ui/writing/index.ts';
import { AddLines } from './add-lines.tsx';
import { columnsFor } from './cells.ts';
import { differingLines } from './file-lines.ts';
import { LinesShown } from './lines-shown.tsx';
import { Passes } from './passes.tsx';
import { SheetFiles } from './sheet-files.tsx';
import { SheetNotes } from './sheet-notes.tsx';
import { SheetTools } from './sheet-tools.tsx';
import { type SheetAt, useSheetDesk } from './use-sheet-desk.ts';
import type { WorksheetProps } from './worksheet-props.ts';

/** A price change over many items: passes, lines by hand, and what they come to. */
export function Worksheet(props: WorksheetProps) {
  const { choices, view, locked, fileName } = props;
  const at = useSheetDesk(props);
  const { answer, currency, sheet, desk, tell, shown, rowAt } = at;
  const regular = props.repricing !== undefined;
  const items = Object.entries(desk.known).map(([sku, name]) => ({ sku, name })) as never;
  const costs = props.onCosts !== undefined;
  const columns = columnsFor(answer?.facts.lines ?? [], regular).map((column) => ({
    ...column,
    editable: !locked && (column.field === 'price' || (column.field === 'cost' && costs)),
  }));
  return (
    <section aria-label="Worksheet" aria-busy={at.asking} className="mt-8">
      <div className="flex flex-wrap items-baseline gap-x-4">
        <h2 className="text-xl">Worksheet</h2>
        <span className="quiet text-sm" role="status">
          {whereAndWhen(at, view.now, regular)}
        </span>
        {locked ? null : (
          <button type="button" className="link ml-auto text-sm" onClick={() => at.again()}>
            Run the passes again
          </button>
        )}
      </div>
      <Passes
        passes={sheet.passes}
        choices={choices}
        names={namesOf({ ...choices, items }, writing())}
        looking={{ store: view.store.id, at: view.at }}
        locked={locked}
        regular={regular}
        onKnown={(names) => tell({ type: 'named', names })}
        onChange={at.onPasses}
      />
      <SheetNotes at={at} regular={regular} lens={view.lens} />
      <SheetTools at={at} locked={locked} regular={regular} />
      <LinesShown at={at} columns={columns} locked={locked} />
      <SheetFiles
        columns={columns}
        rows={() => Array.from({ length: shown }, (_, i) => rowAt(i)).filter((row) => row !== null)}
        locked={locked}
        name={fileName}
        differing={(lines) =>
          answer ? differingLines(lines, answer, currency) : lines.map((line) => ({ line, words: line.sku }))
        }
        onAdd={at.onFileLines}
      />
      {locked ? null : <AddLines currency={currency} onAdd={at.onItemPrices} />}
    </section>
  );
}

/** For which stores and which moment the lines are laid out. */
function whereAndWhen({ asking, facts }: SheetAt, now: string, regular: boolean): string {
  if (asking) return 'laying it out …';
  const at = facts?.lookedAt;
  if (!at) return facts && !regular ? 'no store or no moment of it comes' : '';
  const where = at.stores === 1 ? at.storeName : `${saidCount(at.stores)} stores`;
  return `in ${where}, ${shortMoment(at.at, now)}`;
}
