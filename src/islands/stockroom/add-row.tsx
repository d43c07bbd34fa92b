import { useState } from 'react';
import { type Cells, type TableName, tableOf } from '../../contracts/table/index.ts';
import { FaultField } from '../../ui/pieces/index.ts';
import { readCell } from '../../ui/writing/index.ts';
import { ask, type Refusal, refusalOf } from '../server/index.ts';

const isOwnId = ({ field, required }: { field: string; required?: boolean }): boolean =>
  field === 'id' && !required;

/** A new row, typed in above the table; what is wrong with it is said at its fields. */
export function AddRow({
  table,
  onDone,
}: {
  table: TableName;
  onDone: (keys: readonly string[], waits: boolean) => void;
}) {
  const { columns, one } = tableOf(table);
  const [cells, setCells] = useState<Cells>({});
  const [refusal, setRefusal] = useState<Refusal | null>(null);
  const named = columns.some(({ field }) => field === 'name');
  // An id is made of the name where none is typed: who wants one of their own finds it last.
  const typed = columns
    .filter(({ shown, filed }) => !shown && !filed)
    .map((column) =>
      named && column.field === 'id' ? { ...column, required: false, hint: 'else made of the name' } : column,
    )
    .toSorted((a, b) => Number(isOwnId(a)) - Number(isOwnId(b)));
  const faultAt = (field: string) =>
    refusal?.faults.find(({ path }) => path === `/edits/0/${field}`)?.message ?? null;
  const loose =
    refusal && !refusal.faults.some(({ path }) => typed.some(({ field }) => path === `/edits/0/${field}`));
  async function add() {
    const read = Object.fromEntries(
      Object.entries(cells).map(([field, text]) => [field, readCell(table, field, text)]),
    );
    try {
      const { keys, waits } = await ask<{ keys: string[]; waits: number | null }>(`/api/stockroom/${table}`, {
        method: 'POST',
        body: { edits: [{ key: null, cells: read }], drops: [] },
      });
      onDone(keys, waits !== null);
    } catch (error) {
      setRefusal(refusalOf(error));
    }
  }
  return (
    <form
      className="mt-3 border-base-300 border-y bg-base-200 px-3 py-3 text-sm"
      noValidate
      aria-label={`New ${one}`}
      onSubmit={(event) => {
        event.preventDefault();
        add();
      }}
    >
      <div className="grid grid-cols-2 gap-x-4 gap-y-2 md:grid-cols-4 xl:grid-cols-6">
        {typed.map(({ field, title, required, hint, kind }) => (
          <FaultField
            key={field}
            label={`${title}${required ? '' : ', if any'}${hint ? ` (${hint})` : ''}`}
            value={cells[field] ?? ''}
            fault={faultAt(field)}
            inputMode={kind === 'amount' ? 'decimal' : 'text'}
            onChange={(text) => setCells({ ...cells, [field]: text })}
          />
        ))}
      </div>
      {loose ? (
        <p role="alert" className="mt-2 text-error">
          {refusal.faults.map(({ message }) => message).join('; ') || refusal.message}
        </p>
      ) : null}
      <button className="btn btn-primary btn-sm mt-3" type="submit">
        Add it
      </button>
    </form>
  );
}
