import type { FindingMend } from '../../contracts/view/index.ts';
import { parseWallTime } from '../../core/calendar/index.ts';
import { type Draft, isDeal } from './draft.ts';

type Mend = Pick<FindingMend, 'kind' | 'priority' | 'items' | 'at'>;

/** The draft with a mend made; the same draft where it has nothing that the mend is about. */
export function mended(draft: Draft, { kind, priority, items, at }: Mend): Draft {
  switch (kind) {
    case 'go-first':
      return { ...draft, priority: priority ?? draft.priority };
    case 'end':
      return at === undefined ? draft : { ...draft, when: { ...draft.when, to: at } };
    case 'begin':
      return at === undefined ? draft : { ...draft, when: { ...draft.when, from: at } };
    case 'once':
      return isDeal(draft) ? { ...draft, limitPerBasket: 1 } : draft;
    case 'leave-out':
      return without(draft, items ?? []);
  }
}

function without(draft: Draft, items: readonly string[]): Draft {
  const { offer } = draft;
  if (offer.kind !== 'priceChange' || !offer.items) return draft;
  const parts = 'allOf' in offer.items ? offer.items.allOf : [offer.items];
  return {
    ...draft,
    offer: { ...offer, items: { allOf: [...parts, { not: { items: [...items] } }] } },
  } as Draft;
}

/** The mend that an address asks for; null where it asks for none, or for nothing that is one. */
export function mendIn(text: string | null): Mend | null {
  if (text === null) return null;
  const [kind, ...words] = text.split(' ');
  const [word = ''] = words;
  switch (kind) {
    case 'go-first':
      return Number.isInteger(Number(word)) && Number(word) > 0 ? { kind, priority: Number(word) } : null;
    case 'leave-out':
      return words.length > 0 ? { kind, items: words.map(decodeURIComponent) } : null;
    case 'end':
    case 'begin':
      return parseWallTime(word) === null ? null : { kind, at: word };
    case 'once':
      return { kind };
    default:
      return null;
  }
}

/** As {@link mendIn} reads it. */
export function mendText({ kind, priority, items = [], at }: FindingMend): string {
  if (kind === 'leave-out') return [kind, ...items.map(encodeURIComponent)].join(' ');
  const said = kind === 'go-first' ? priority : at;
  return said === undefined ? kind : `${kind} ${said}`;
}
