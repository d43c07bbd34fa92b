import type { CheckContext, Fault } from '../checking/index.ts';
import type { ShopperDocument, ShopperGroupDocument } from './document.ts';

/** Kinds of shopper, and shoppers with terms of their own. */
export function checkShoppers(context: CheckContext): void {
  const { document } = context;
  (document.shopperGroups ?? []).forEach((group, i) => {
    if (group.priceList !== undefined)
      context.reference('price list', group.priceList, ['shopperGroups', i, 'priceList']);
  });
  checkCards(context);
  (document.shoppers ?? []).forEach((shopper, i) => {
    (shopper.groups ?? []).forEach((id, j) => {
      context.reference('shopper group', id, ['shoppers', i, 'groups', j]);
    });
    context.amount(shopper.lifetimeSpend, ['shoppers', i, 'lifetimeSpend']);
    if (shopper.priceList !== undefined)
      context.reference('price list', shopper.priceList, ['shoppers', i, 'priceList']);
    checkAccount(shopper, ['shoppers', i, 'account'], context);
  });
}

/** An account is one of the shoppers, and of no account itself: terms come from one place above, and no further. */
function checkAccount({ id, account }: ShopperDocument, path: Fault['path'], context: CheckContext): void {
  if (account === undefined) return;
  context.reference('shopper', account, path);
  const above = (context.document.shoppers ?? []).find((one) => one.id === account);
  if (account === id) context.fault(path, 'it is its own account', 'another shopper, or none');
  else if (above?.account !== undefined)
    context.fault(
      path,
      `"${account}" belongs to the account "${above.account}" itself`,
      'an account that belongs to none',
    );
}

/** Which cards are of a kind of shopper can be told from their first digits, and of one kind alone. */
function checkCards({ document, fault }: CheckContext): void {
  const groups = document.shopperGroups ?? [];
  groups.forEach(({ cards }, i) => {
    if (!cards) return;
    const path = ['shopperGroups', i, 'cards'];
    if (cards.digits <= cards.prefix.length + 1)
      fault(path, `cards of ${cards.digits} digits that begin with ${cards.prefix}`, 'more digits than that');
    const other = groups.slice(0, i).find((one) => one.cards && mayMeet(one.cards, cards));
    if (other) fault(path, `cards of “${other.name}” begin so too`, 'other first digits, or another length');
  });
}

const mayMeet = (a: CardPattern, b: CardPattern): boolean =>
  a.digits === b.digits && (a.prefix.startsWith(b.prefix) || b.prefix.startsWith(a.prefix));

type CardPattern = NonNullable<ShopperGroupDocument['cards']>;
