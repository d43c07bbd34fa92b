import type { ChangedPriceView } from '../../contracts/index.ts';
import { formatMoment, type Instant, type ZoneClock } from '../../core/calendar/index.ts';
import type { ChangedPrice } from '../../core/consequences/index.ts';
import { type Currency, formatAmount, type MinorUnits } from '../../core/money/index.ts';

/** As many are told one by one. */
const PRICES_TOLD = 500;

/** Changed prices as somebody reads them. */
export function changedPriceViews(
  all: readonly ChangedPrice[],
  {
    currency,
    clock,
    now,
    nameOf,
  }: {
    currency: Currency;
    clock: ZoneClock;
    now: Instant;
    nameOf: (promotion: string) => string;
  },
): ChangedPriceView[] {
  const told = (amount: MinorUnits | null) => (amount === null ? null : formatAmount(amount, currency));
  return all.slice(0, PRICES_TOLD).map((one) => ({
    sku: one.sku,
    name: one.name,
    at: one.at <= now ? null : formatMoment(one.at, clock),
    guests: one.guests,
    before: told(one.before),
    after: told(one.after),
    percent: one.before && one.after !== null ? ((one.after - one.before) / one.before) * 100 : null,
    was: one.was.map(nameOf),
    by: one.by.map(nameOf),
  }));
}
