import type { Choices, LensView } from '../../contracts/view/index.ts';
import { shortMoment, timeIn } from '../../ui/writing/index.ts';
import type { GridDesk } from './desk.ts';

/** What prices are held against, as a sentence about one of them begins; null: nothing. */
export function againstWords(
  { against, other }: GridDesk,
  { at, store }: Pick<LensView, 'at' | 'store'>,
  choices: Pick<Choices, 'shopperGroups' | 'stores'> | undefined,
): string | null {
  const nameIn = (list: readonly { readonly id: string; readonly name: string }[] = []) =>
    list.find(({ id }) => id === other)?.name ?? other ?? '';
  switch (against) {
    case null:
      return null;
    case 'date':
      return other ? `On ${shortMoment(other, at)} it is` : null;
    case 'known':
      return other
        ? `As known on ${shortMoment(other.endsWith('Z') ? timeIn(store.timeZone, other) : other, at)} it is`
        : null;
    case 'held':
      return 'The terminals hold';
    case 'shopper':
      return other ? `To ${nameIn(choices?.shopperGroups)} it is` : 'To a guest it is';
    case 'store':
      return other ? `In ${nameIn(choices?.stores)} it is` : null;
    case 'promotion':
      return other ? 'Without that draft or change it is' : null;
  }
}
