import type { TableName } from '../../contracts/table/index.ts';
import type { LensView } from '../../contracts/view/index.ts';
import { WithServer } from '../server/index.ts';
import { AddRow } from './add-row.tsx';
import { sheetColumns } from './columns.ts';
import { TableRefused } from './table-refused.tsx';
import { TableRows } from './table-rows.tsx';
import { TableTools } from './table-tools.tsx';
import { useTableDesk } from './use-table-desk.ts';
import { WaitsNote } from './waits-note.tsx';

export interface StockroomTableProps {
  readonly table: TableName;
  readonly view: LensView;
  /** Whether the person may change this table. */
  readonly edits: boolean;
  /** Whether the person sees what goods cost. */
  readonly costs: boolean;
  /** Only the items that the store of the lens carries, and through which range. */
  readonly carried?: boolean;
}

export function StockroomTable(props: StockroomTableProps) {
  return (
    <WithServer>
      <Desk {...props} />
    </WithServer>
  );
}

/** What these hold is chosen on their own page: a new one holds nothing yet. */
const RULED: readonly TableName[] = ['itemSets', 'storeGroups', 'ranges'];

function Desk(props: StockroomTableProps) {
  const { table, view, edits, costs, carried = false } = props;
  const at = useTableDesk(props);
  const { desk, one, changes, rows, addedPage, links } = at;
  const { last } = desk;
  const refusal = changes.refusal ?? (last.kind === 'refused' ? last.refusal : null) ?? rows.refusal;
  return (
    <>
      <TableTools at={at} view={view} edits={edits} />
      {desk.adding ? <AddRow table={table} onDone={at.onAdded} /> : null}
      {last.kind === 'said' ? (
        <p className="mt-2 text-sm" role="status">
          {last.words}{' '}
          {addedPage ? (
            <a className="link" href={addedPage.href}>
              {RULED.includes(table) ? `Choose what this ${one} holds` : `Open this ${one}`}
            </a>
          ) : null}
        </p>
      ) : null}
      {last.kind === 'held-back' || changes.waits ? <WaitsNote query={links} /> : null}
      {refusal ? <TableRefused refusal={refusal} onGiveUp={changes.refusal ? changes.giveUp : null} /> : null}
      <div className="mt-3">
        <TableRows at={at} columns={sheetColumns(table, { edits, carried, costs })} edits={edits} />
      </div>
    </>
  );
}
