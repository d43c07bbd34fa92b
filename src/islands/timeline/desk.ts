import type { TimelineSpan, TimelineView } from '../../contracts/view/index.ts';

/** What is drawn, and the step of a row that keys are at. */
export interface TimelineDesk {
  /** An item; or a place in the hierarchy of goods; or nothing yet. */
  readonly about: { readonly item: string } | { readonly node: string } | null;
  readonly span: TimelineSpan;
  readonly row: number;
  readonly step: number;
}

export type TimelineEvent =
  | { readonly type: 'asked'; readonly about: TimelineDesk['about'] }
  | { readonly type: 'spanned'; readonly span: TimelineSpan }
  | { readonly type: 'went'; readonly row: number; readonly step: number };

export function timelineAfter(desk: TimelineDesk, event: TimelineEvent): TimelineDesk {
  switch (event.type) {
    case 'asked':
      return { ...desk, about: event.about, row: 0, step: 0 };
    case 'spanned':
      return { ...desk, span: event.span, row: 0, step: 0 };
    case 'went':
      return { ...desk, row: event.row, step: event.step };
  }
}

export function timelineDesk(address: URLSearchParams): TimelineDesk {
  const item = address.get('item');
  const node = address.get('node');
  return {
    about: item ? { item } : node ? { node } : null,
    span: address.get('span') === 'quarter' ? 'quarter' : 'year',
    row: 0,
    step: 0,
  };
}

/** What the address of the page says of the desk. */
export const addressOf = ({ about, span }: TimelineDesk): Record<string, string> => ({
  ...(about ?? {}),
  ...(span === 'quarter' ? { span } : {}),
});

type Rows = TimelineView['rows'];

/**
 * Where a key leads from a step: along the row, or to the step of another row that counts at the same time.
 * @returns null where the key leads nowhere.
 */
export function wentBy(key: string, { row, step }: Pick<TimelineDesk, 'row' | 'step'>, rows: Rows) {
  const here = rows[row]?.steps;
  if (!here) return null;
  const to = (next: number) => ({ row, step: Math.min(here.length - 1, Math.max(0, next)) });
  switch (key) {
    case 'ArrowRight':
      return to(step + 1);
    case 'ArrowLeft':
      return to(step - 1);
    case 'Home':
      return to(0);
    case 'End':
      return to(here.length - 1);
    case 'ArrowDown':
      return atTime(rows, row + 1, here[step]!.from);
    case 'ArrowUp':
      return atTime(rows, row - 1, here[step]!.from);
    default:
      return null;
  }
}

function atTime(rows: Rows, row: number, moment: string) {
  const steps = rows[row]?.steps;
  if (!steps) return null;
  const found = steps.findIndex(({ to }) => to > moment);
  return { row, step: found < 0 ? steps.length - 1 : found };
}
