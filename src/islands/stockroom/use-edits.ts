import { useRef, useState } from 'react';
import type { TableName } from '../../contracts/table/index.ts';
import { ask, type Refusal, refusalOf } from '../server/index.ts';
import type { CellEdit, SheetRow } from '../sheet/index.ts';

/** One cell on its way to the server, or refused by it: what was typed is kept either way. */
export interface PendingCell {
  readonly text: string;
  readonly was: string;
  /** Null: on its way. */
  readonly fault: string | null;
}
type Pending = ReadonlyMap<string, Readonly<Record<string, PendingCell>>>;

interface Step {
  readonly key: string;
  readonly field: string;
  readonly before: string;
  readonly after: string;
}

interface RowEdit {
  readonly key: string;
  readonly cells: Record<string, string>;
  readonly was: Record<string, string>;
}

/** Sends changed cells, all of one go together; keeps the refused ones in sight, and takes back what was done last. */
export function useEdits(table: TableName, again: () => Promise<void>) {
  const [pending, setPending] = useState<Pending>(new Map());
  const past = useRef<(readonly Step[])[]>([]);
  const [canUndo, setCanUndo] = useState(false);
  const turn = useRef<Promise<unknown>>(Promise.resolve());
  const [refusal, setRefusal] = useState<Refusal | null>(null);
  const [waits, setWaits] = useState(false);

  /** One after another, as they were pressed: what is taken back is what was typed last, also while that is on its way. */
  function inTurn(work: () => Promise<void>): Promise<void> {
    const next = turn.current.then(work, work);
    turn.current = next;
    return next;
  }
  async function send(steps: readonly Step[]): Promise<boolean> {
    setPending((before) => withSteps(before, steps, null));
    const edits = byRow(steps);
    try {
      const reply = await ask<{ waits: number | null }>(`/api/stockroom/${table}`, {
        method: 'POST',
        body: { edits, drops: [] },
      });
      await again();
      setPending((before) => without(before, steps));
      setWaits(reply.waits !== null);
      // What waits is taken back where it waits.
      return reply.waits === null;
    } catch (error) {
      const why = refusalOf(error);
      setRefusal(why);
      setPending((before) => withFaults(before, steps, edits, why));
      return false;
    }
  }

  const refused = [...pending.values()]
    .flatMap((cells) => Object.values(cells))
    .some(({ fault }) => fault !== null);
  return {
    pending,
    /** What was typed last waits for approval. */
    waits,
    /** The last one, as long as a cell still waits for it to be mended. */
    refusal: refused ? refusal : null,
    canUndo,
    async edit(changes: readonly CellEdit[], rowAt: (index: number) => SheetRow | null) {
      const steps = changes.flatMap(({ row, field, text }): Step[] => {
        const found = rowAt(row);
        return found ? [{ key: found.key, field, before: found.cells[field] ?? '', after: text }] : [];
      });
      setPending((before) => withSteps(before, steps, null));
      await inTurn(async () => {
        if (await send(steps)) past.current.push(steps);
        setCanUndo(past.current.length > 0);
      });
    },
    undo: () =>
      inTurn(async () => {
        const last = past.current.pop();
        setCanUndo(past.current.length > 0);
        if (!last) return;
        await send(
          last.map(({ key, field, before, after }) => ({ key, field, before: after, after: before })),
        );
      }),
    /** Gives up what was refused. */
    giveUp() {
      setPending(new Map());
      setRefusal(null);
    },
  };
}

function byRow(steps: readonly Step[]): RowEdit[] {
  const rows = new Map<string, RowEdit>();
  for (const { key, field, before, after } of steps) {
    const row = rows.get(key) ?? { key, cells: {}, was: {} };
    row.cells[field] = after;
    row.was[field] = before;
    rows.set(key, row);
  }
  return [...rows.values()];
}

function withSteps(pending: Pending, steps: readonly Step[], fault: string | null): Pending {
  const next = new Map(pending);
  for (const { key, field, before, after } of steps)
    next.set(key, { ...next.get(key), [field]: { text: after, was: before, fault } });
  return next;
}

function without(pending: Pending, steps: readonly Step[]): Pending {
  const next = new Map(pending);
  for (const { key, field } of steps) {
    const { [field]: _, ...rest } = next.get(key) ?? {};
    if (Object.keys(rest).length === 0) next.delete(key);
    else next.set(key, rest);
  }
  return next;
}

/** Every cell of a refused go stays as typed; those at fault say why, the others that they wait for them. */
function withFaults(
  pending: Pending,
  steps: readonly Step[],
  edits: readonly RowEdit[],
  { faults, message }: Refusal,
): Pending {
  const wordsOf = (key: string, field: string) => {
    const row = edits.findIndex((edit) => edit.key === key);
    const found = faults.filter(({ path }) => path === `/edits/${row}/${field}`);
    return found.map((fault) => fault.message).join('; ');
  };
  let next = pending;
  for (const step of steps) {
    const words = wordsOf(step.key, step.field);
    next = withSteps(
      next,
      [step],
      words || (faults.length > 0 ? 'not saved: another cell is at fault' : message),
    );
  }
  return next;
}
