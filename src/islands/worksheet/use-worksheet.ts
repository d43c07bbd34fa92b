import { useQuery } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import type { RepriceRequest } from '../../contracts/index.ts';
import type { WorksheetView } from '../../contracts/view/index.ts';
import type { PromotionDocument, SupplierTermsDocument, WorksheetDocument } from '../../core/plan/index.ts';
import { handPricedItems, handPrices, type SheetLook } from '../../core/worksheet/index.ts';
import { ask, type Refusal, refusalOf, useResting, useSame } from '../server/index.ts';
import type { FromWorker, PlainWork, ToWorker } from './messages.ts';

/** Where, when and for whom a sheet counts. */
export type SheetFrame = Pick<PromotionDocument, 'id' | 'where' | 'when' | 'who'> & {
  readonly supplier?: SupplierTermsDocument;
};

/** Regular prices are made by the sheet, from a day on; without it, it is a price change. */
export type Repricing = Omit<RepriceRequest, 'worksheet'>;

const RESTING = 300;
/** Nothing is priced by it: it only lets the sheet be read as the price change that it will be. */
const FRAME = { kind: 'priceChange', items: { items: [] }, formula: { percentOff: 0 } } as const;

/** The lines of a sheet from the server, and what its passes make of them from the worker. */
export function useWorksheet(
  frame: SheetFrame,
  sheet: WorksheetDocument,
  currency: string,
  look: SheetLook,
  { store, repricing }: { store: string; repricing: Repricing | null },
) {
  const [added, setAdded] = useState<readonly string[]>(() => handPricedItems(sheet));
  const facts = useFacts(frame, sheet, added, { store, repricing });
  // A price by hand on a line that is there needs nothing from the server; a line that is not there yet does.
  const byHand = useSame(handPricedItems(sheet));
  const there = facts.data && new Set([...facts.data.lines.map(({ sku }) => sku), ...facts.data.unsold]);
  const missing = there && !facts.isFetching && byHand.some((sku) => !there.has(sku) && !added.includes(sku));
  useEffect(() => {
    if (missing) setAdded(byHand);
  }, [missing, byHand]);
  const work = useSame({
    currency,
    passes: sheet.passes.map(({ formula, rounding }) => ({ formula, rounding })),
    own: handPrices(sheet),
    removed: sheet.removed ?? [],
    cost: frame.supplier?.cost ?? null,
    costs: frame.supplier?.costs ?? {},
  });
  return {
    facts: facts.data ?? null,
    asking: facts.isFetching,
    refusal: facts.error ? (refusalOf(facts.error) as Refusal) : null,
    again: facts.refetch,
    answer: useWorker(facts.data, work, look),
  };
}

/** What the server knows of the lines. */
function useFacts(
  { id, where, when, who }: SheetFrame,
  sheet: WorksheetDocument,
  added: readonly string[],
  { store, repricing }: { store: string; repricing: Repricing | null },
) {
  // Formulas are the worker's matter: only what changes which lines there are is asked of the server.
  const asked = useResting(
    useSame({
      frame: { id: id || 'draft', where, when, who },
      items: sheet.passes.map(({ items }) => items),
      lists: sheet.passes.map(({ formula }) => ('basis' in formula ? formula.basis : undefined)),
      added,
      repricing,
    }),
    RESTING,
  );
  const promotion = {
    ...asked.frame,
    name: 'Draft',
    status: 'draft',
    offer: { ...FRAME, worksheet: sheet },
  };
  return useQuery({
    queryKey: ['worksheet', asked, store],
    queryFn: ({ signal }) =>
      ask<WorksheetView>(
        repricing ? '/api/reprice' : '/api/promotions/worksheet',
        { method: 'POST', body: repricing ? { ...repricing, worksheet: sheet } : { store, promotion } },
        signal,
      ),
    placeholderData: (before) => before,
    retry: false,
  });
}

/** The worker's answer to the newest work; null until there is one. `lines` are those that it answers for. */
function useWorker(facts: WorksheetView | undefined, work: PlainWork, look: SheetLook) {
  const worker = useRef<Worker | null>(null);
  const number = useRef(0);
  const [answer, setAnswer] = useState<(FromWorker & { facts: WorksheetView }) | null>(null);
  useEffect(() => {
    worker.current = new Worker(new URL('./worker.ts', import.meta.url), { type: 'module' });
    return () => worker.current?.terminate();
  }, []);
  useEffect(() => {
    if (facts) worker.current?.postMessage({ kind: 'lines', lines: facts.lines } satisfies ToWorker);
  }, [facts]);
  useEffect(() => {
    const busy = worker.current;
    if (!facts || !busy) return;
    const mine = ++number.current;
    const listen = ({ data }: MessageEvent<FromWorker>) => {
      if (data.number === mine) setAnswer({ ...data, facts });
    };
    busy.addEventListener('message', listen);
    busy.postMessage({ kind: 'work', number: mine, work, look } satisfies ToWorker);
    return () => busy.removeEventListener('message', listen);
  }, [facts, work, look]);
  return answer;
}
