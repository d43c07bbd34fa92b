import type { DealPreview } from '../../contracts/view/index.ts';
import type { BasketOfferDocument } from '../../core/plan/index.ts';
import { nameOfPart } from '../../core/sentence/index.ts';
import { saidAmount } from '../../ui/writing/index.ts';

type Warning = DealPreview['warnings'][number];
type Told = Pick<DealPreview, 'names' | 'storeNames' | 'steps' | 'lookedAt'>;

/** A warning in words, with its figures. Amounts come in minor units of the plan's currency. */
export function warningWords(warning: Warning, offer: BasketOfferDocument, told: Told): string {
  switch (warning.code) {
    case 'worse-than-shelf': {
      const [pays, shelf, dearest] = [warning.pays, warning.shelf, warning.dearest].map((amount) =>
        amountLike(amount, told.steps[0]?.before),
      );
      const what = warning.tier === null ? 'It' : `From ${warning.tier} on it`;
      return warning.pays >= warning.dearest
        ? `${what} asks ${pays} for what costs at most ${dearest} without it. Nobody is helped.`
        : `${what} asks ${pays} for what costs ${shelf} without it, where the cheapest are bought. It helps only with dearer ones, up to ${dearest}.`;
    }
    case 'gift-not-carried':
      return `${told.names[warning.gift] ?? warning.gift}, the gift, is not carried by ${storesWords(warning.stores, told)}; there it is not given, and the receipt says so.`;
    case 'nothing-carried':
      return `Of ${nameOfPart(offer, warning.part)} ${told.lookedAt?.storeName ?? 'The store'} sells nothing; nor do ${warning.stores.length} of its ${warning.of} stores in all. The deal cannot be had there.`;
    case 'never-reached':
      return `The tier from ${tierStart(offer, warning.tier, told)} gives no more than the one from ${tierStart(offer, warning.before, told)}.`;
    case 'below-cost':
      return `${warning.steps} of the ${told.steps.length} baskets below ${warning.steps === 1 ? 'is' : 'are'} sold below cost.`;
    case 'below-floor':
      return `${warning.steps} of the ${told.steps.length} baskets below ${warning.steps === 1 ? 'falls' : 'fall'} under the margin floor.`;
  }
}

const STORES_NAMED = 3;

function storesWords(stores: readonly string[], { storeNames }: Told): string {
  const some = stores.slice(0, STORES_NAMED).map((id) => storeNames[id] ?? id);
  const more = stores.length - some.length;
  return more > 0 ? `${some.join(', ')} and ${more} more stores` : some.join(' and ');
}

/** Where a tier begins: an amount of a basket reward, else a number of units. */
function tierStart(offer: BasketOfferDocument, start: number, { steps }: Told): string {
  const inMoney = 'threshold' in offer && offer.threshold === 'subtotal';
  return inMoney ? amountLike(start, steps[0]?.before) : String(start);
}

/** Minor units with as many decimals as another amount of the currency has. */
function amountLike(minorUnits: number, like: string | undefined): string {
  const decimals = like?.split('.')[1]?.length ?? 0;
  return saidAmount((minorUnits / 10 ** decimals).toFixed(decimals));
}
