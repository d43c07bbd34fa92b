import type { ShopperGroupDocument } from '../plan/index.ts';
import { hasCardCheckDigit, normalCard } from './card-number.ts';

/** The kind of shopper whose cards are numbered so; null: none, or somebody mistyped a digit. */
export function groupOfCard(groups: readonly ShopperGroupDocument[], text: string): string | null {
  const number = normalCard(text);
  if (!hasCardCheckDigit(number)) return null;
  const group = groups.find(
    ({ cards }) => cards?.digits === number.length && number.startsWith(cards.prefix),
  );
  return group?.id ?? null;
}
