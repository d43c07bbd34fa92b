import type { LoopholeCases, LoopholesView, LoopholeView } from '../../contracts/view/index.ts';

/** How many units a basket may have: what a shopper carries, and what a cart holds. */
export const SIZES = [6, 12, 24] as const;
export type Size = (typeof SIZES)[number];
/** Codes that are held at once at most. */
export const MOST_CODES = 4;
/** So many cases are searched without being asked for. */
export const AT_ONCE = 2;

/** What is searched. */
export interface LoopholesDesk {
  readonly units: Size;
  readonly codes: readonly string[];
  readonly begun: boolean;
}

export type LoopholesEvent =
  | { readonly type: 'sized'; readonly units: Size }
  | { readonly type: 'code'; readonly code: string; readonly held: boolean }
  | { readonly type: 'began' }
  | { readonly type: 'stopped' };

export const FIRST: LoopholesDesk = { units: 12, codes: [], begun: false };

export function loopholesAfter(desk: LoopholesDesk, event: LoopholesEvent): LoopholesDesk {
  switch (event.type) {
    case 'sized':
      return { ...desk, units: event.units };
    case 'code': {
      const others = desk.codes.filter((code) => code !== event.code);
      return { ...desk, codes: event.held ? [...others, event.code].slice(-MOST_CODES) : others };
    }
    case 'began':
      return { ...desk, begun: true };
    case 'stopped':
      return { ...desk, begun: false };
  }
}

type Case = LoopholeCases['cases'][number];

/** A loophole, and the stores in which the same promotions make one; the basket is of the store where it leaves least. */
export interface LoopholeSomewhere {
  readonly loophole: LoopholeView;
  readonly stores: Case['stores'];
}

/** What the cases came to, one for each set of promotions, what leaves least first. */
export function together(
  cases: readonly Case[],
  answers: readonly (LoopholesView | undefined)[],
): LoopholeSomewhere[] {
  const by = new Map<string, LoopholeSomewhere>();
  answers.forEach((answer, i) => {
    const { stores } = cases[i]!;
    for (const loophole of answer?.found ?? []) {
      const key = JSON.stringify(loophole.promotions.map(({ id }) => id));
      const known = by.get(key);
      if (!known) by.set(key, { loophole, stores });
      else if (Number(loophole.margin) < Number(known.loophole.margin))
        by.set(key, { loophole, stores: [...stores, ...known.stores] });
      else by.set(key, { ...known, stores: [...known.stores, ...stores] });
    }
  });
  return [...by.values()].sort((a, b) => Number(a.loophole.margin) - Number(b.loophole.margin));
}

/** How sure the answer is: of how many cases it is proved, and the lowest margin that is still possible in the others. */
export function sureness(answers: readonly (LoopholesView | undefined)[]) {
  const known = answers.filter((answer) => answer !== undefined);
  const open = known.filter(({ looked }) => !looked.proved);
  const bounds = open.map(({ looked }) => looked.bound ?? '0').sort((a, b) => Number(a) - Number(b));
  return {
    cases: known.length,
    open: open.length,
    bound: bounds[0] ?? null,
    baskets: known.reduce((sum, { looked }) => sum + looked.baskets, 0),
  };
}
