import type { TagsView } from '../../contracts/view/index.ts';
import { saidCount } from '../../ui/writing/index.ts';

/** Which tags are looked at: those that must be hung anew, all that hang, or those that tell of a promotion. */
export type Which = 'changed' | 'all' | { readonly promotion: string };

/** What is asked of the server, as it stands in its address. */
export function addressOf(
  place: { readonly store: string; readonly day: string },
  which: Which,
  find: string,
  whole: boolean,
): string {
  const query = new URLSearchParams(place);
  if (which === 'all') query.set('all', '1');
  if (typeof which === 'object') query.set('promotion', which.promotion);
  if (find !== '') query.set('find', find);
  if (whole) query.set('most', '100000');
  return `/api/send/tags?${query}`;
}

/** How a choice stands in a list of choices. */
export const keyOf = (which: Which): string =>
  typeof which === 'string' ? which : `promotion ${which.promotion}`;

export const choicesOf = ({ due, promotions }: TagsView): { which: Which; words: string }[] => [
  { which: 'changed', words: `what must be hung anew (${saidCount(due)})` },
  { which: 'all', words: 'all that hang' },
  ...promotions.map(({ id, name, tags }) => ({
    which: { promotion: id },
    words: `those that tell of ${name} (${saidCount(tags)} anew)`,
  })),
];
