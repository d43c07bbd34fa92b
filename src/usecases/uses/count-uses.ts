import { type HeldUses, OF_CARD, type PaidBy, type WantedUseSaid } from '../../contracts/index.ts';
import { shopperKey } from '../../core/receipt/index.ts';
import type { ShopperStore, TerminalName, UseStore } from '../ports/index.ts';

/** Milliseconds for which a use is kept for a basket that nobody pays or gives back. */
export const KEPT_FOR = 10 * 60_000;

interface UsePorts {
  readonly uses: UseStore;
}

/** A receipt that was closed: what it used, whom it was for, and when. */
export interface ReceiptClosed {
  readonly uses: readonly WantedUseSaid[];
  readonly shopper?: PaidBy;
  readonly at: Date;
}

/** Keeps for a basket what it would use; what is used up is told, and the till rings without it. */
export async function holdUses(
  ports: UsePorts,
  terminal: TerminalName,
  basket: string,
  uses: readonly WantedUseSaid[],
  now: number,
): Promise<HeldUses> {
  const until = new Date(now + KEPT_FOR);
  const usedUp = await ports.uses.hold({ terminal: terminal.id, basket }, uses, new Date(now), until);
  return { usedUp: Object.fromEntries(usedUp) };
}

/** A receipt was closed. What it used counts, whether it was kept for it or not: the shopper has gone with the goods. */
export async function takeUses(
  ports: UsePorts & { readonly shoppers: ShopperStore },
  terminal: TerminalName,
  basket: string,
  { uses, shopper, at }: ReceiptClosed,
): Promise<void> {
  await ports.uses.take({ terminal: terminal.id, store: terminal.store, basket }, uses, at);
  if (shopper) {
    const { id: person, paid } = shopper;
    await ports.shoppers.closed({ person, paid, terminal: terminal.id, basket, at });
  }
}

/** Who holds a card, by number, and as whom limits count them: an account counts as one. */
export interface CardHolder {
  readonly id: string;
  readonly countsAs: string;
}

/**
 * What a till that was cut off says of a card, said of whoever holds it: here a card's number is written down nowhere.
 * @param holder whose it is; null: nobody's, and nothing is said of anybody then.
 */
export function ofHolder(closed: ReceiptClosed, holder: CardHolder | null): ReceiptClosed {
  const { shopper, uses, ...rest } = closed;
  if (!shopper?.id.startsWith(OF_CARD)) return closed;
  const ending = `@${shopper.id}`;
  const renamed = uses.flatMap((use) => {
    if (!use.key.endsWith(ending)) return [use];
    const counted = use.key.slice(0, -ending.length);
    return holder === null ? [] : [{ ...use, key: shopperKey(counted, holder.countsAs) }];
  });
  return { ...rest, uses: renamed, ...(holder === null ? {} : { shopper: { ...shopper, id: holder.id } }) };
}

/** A basket was left standing: others may use what was kept for it. */
export async function giveBackUses(ports: UsePorts, terminal: TerminalName, basket: string): Promise<void> {
  await ports.uses.giveBack({ terminal: terminal.id, basket });
}
