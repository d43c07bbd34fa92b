import type { FindingMend } from '../../contracts/view/index.ts';
import type { Draft } from './draft.ts';

/** The draft with a mend made; the same draft where it has no goods that could be left out. */
export function mended(draft: Draft, mend: Pick<FindingMend, 'kind' | 'priority' | 'items'>): Draft {
  if (mend.kind === 'go-first') return { ...draft, priority: mend.priority ?? draft.priority };
  const { offer } = draft;
  if (offer.kind !== 'priceChange' || !offer.items) return draft;
  const without = { not: { items: [...(mend.items ?? [])] } };
  const parts = 'allOf' in offer.items ? offer.items.allOf : [offer.items];
  return { ...draft, offer: { ...offer, items: { allOf: [...parts, without] } } } as Draft;
}

/** The mend that an address asks for; null where it asks for none, or for nothing that is one. */
export function mendIn(text: string | null): Pick<FindingMend, 'kind' | 'priority' | 'items'> | null {
  if (text === null) return null;
  const [kind, ...words] = text.split(' ');
  const priority = Number(words[0]);
  if (kind === 'go-first' && Number.isInteger(priority) && priority > 0) return { kind, priority };
  if (kind === 'leave-out' && words.length > 0) return { kind, items: words.map(decodeURIComponent) };
  return null;
}

/** As {@link mendIn} reads it. */
export const mendText = ({ kind, priority, items }: FindingMend): string =>
  kind === 'go-first' ? `${kind} ${priority}` : [kind, ...(items ?? []).map(encodeURIComponent)].join(' ');
