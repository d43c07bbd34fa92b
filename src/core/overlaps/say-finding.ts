import { formatAmount } from '../money/index.ts';
import type { CompiledPlan } from '../price-book/index.ts';
import { countWords, HOUSE_WRITING, type Writing } from '../writing/index.ts';
import type { Finding } from './finding.ts';

/** A finding as a sentence: what is wrong, and with what. */
export function sayFinding(
  { plan, catalogue }: Pick<CompiledPlan, 'plan' | 'catalogue'>,
  finding: Finding,
  writing: Writing = HOUSE_WRITING,
): string {
  const name = (i: number): string => {
    const id = finding.promotions[i]!;
    return `“${plan.promotions.find((promotion) => promotion.id === id)?.name ?? id}”`;
  };
  const money =
    finding.amount === null ? '' : `${formatAmount(finding.amount, plan.currency)} ${plan.currency.code}`;
  const item = (sku: string): string => catalogue.items[catalogue.indexOf.get(sku)!]?.name ?? sku;
  const goods =
    finding.items.length === 1
      ? item(finding.items[0]!)
      : `${countWords(finding.items.length, writing)} items`;
  const stores =
    finding.stores.length === 1
      ? (plan.stores.find(({ id }) => id === finding.stores[0])?.name ?? finding.stores[0]!)
      : `${countWords(finding.stores.length, writing)} stores`;
  const where = `${goods} in ${stores}`;
  const together =
    finding.promotions.length > 1 ? `${list(finding.promotions.map((_, i) => name(i)))} together` : name(0);
  const several = finding.promotions.length > 1;
  switch (finding.code) {
    case 'overlap':
      return `${name(0)} and ${name(1)} want to price the same goods at the same priority: ${where}.`;
    case 'never-wins':
      return `${name(0)} never sets a price: others go before it on ${where}.`;
    case 'never-reached':
      if (finding.part?.kind === 'limit')
        return `${name(0)} can never be had: at once it uses more units than the ${finding.part.at} of its limit.`;
      return finding.part?.kind === 'part'
        ? `${name(0)} can never be complete: no store of it sells anything of its part ${finding.part.at + 1}.`
        : `${name(0)}: from ${finding.part?.at ?? 0} on it gives no more than before.`;
    case 'below-cost':
      return `${upper(together)} ${several ? 'sell' : 'sells'} below cost: ${where}, by up to ${money} a unit.`;
    case 'below-floor':
      return `${upper(together)} ${several ? 'leave' : 'leaves'} less than the margin floor: ${where}, by up to ${money} a unit.`;
    case 'nothing-selected':
      return `${name(0)} selects nothing: its stores or its goods are empty.`;
    case 'nothing-carried':
      return `${name(0)} is for goods that none of its stores sells.`;
    case 'worse-than-shelf':
      return `${name(0)} costs as much as its goods on the shelf, or more, in ${stores}: ${money} too much.`;
    case 'raises-price':
      return `${name(0)} would raise prices: ${where}, by up to ${money}.`;
    case 'reduced-before':
      return `${name(1)} reduces ${where} again within 30 days of ${name(0)}${money ? `; the lowest price of the 30 days before is ${money}` : ''}.`;
    case 'open-end':
      return `${name(0)} has no end.`;
    case 'same-units':
      return `${name(0)} and ${name(1)} want the same units at the same priority: ${where}.`;
    case 'gift-not-carried':
      return `${name(0)}: the gift, ${goods}, cannot be had in ${stores}.`;
  }
}

const list = (parts: readonly string[]): string =>
  parts.length < 2 ? (parts[0] ?? '') : `${parts.slice(0, -1).join(', ')} and ${parts.at(-1)}`;
const upper = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);
