import type { Person, UsesView } from '../../contracts/index.ts';
import { dayOf, firstDayOf, formatLocalDate, instant } from '../../core/calendar/index.ts';
import { formatAmount, minorUnits } from '../../core/money/index.ts';
import type { UseSpan } from '../../core/plan/index.ts';
import type { CompiledPlan } from '../../core/price-book/index.ts';
import {
  batchOfKey,
  codeKey,
  shopperKey,
  unitsKey,
  unitsOfCodeKey,
  withoutUnits,
} from '../../core/receipt/index.ts';
import { todayIn } from '../check/index.ts';
import { seenBy } from '../people/index.ts';
import type { PlanBook, UseMade, UseStore } from '../ports/index.ts';

/** So many of the newest uses are told. */
const NEWEST = 100;

/** How often a promotion was used, of how often it may be, and the newest uses; null: there is none of that id. */
export async function lookAtUses(
  ports: { book: PlanBook; uses: UseStore },
  person: Person,
  id: string,
  now: number,
): Promise<UsesView | null> {
  const { document, compiled } = await seenBy(ports.book, person);
  const promotion = document.promotions.find((one) => one.id === id);
  if (!promotion) return null;
  const { uses = {}, codes = [] } = promotion;
  const ofCodes = uses.perCode === undefined ? [] : codes;
  const { unitsInAll, unitsPerCode } = uses;
  const ofUnits = [
    ...(unitsInAll === undefined ? [] : [{ code: null, key: unitsKey(id), most: unitsInAll }]),
    ...(unitsPerCode === undefined
      ? []
      : codes.map((code) => ({ code, key: unitsOfCodeKey(id, code), most: unitsPerCode }))),
  ];
  const span = uses.every === undefined ? {} : { span: spanAt(uses.every, compiled, now) };
  const [counted, newest, beyond] = await Promise.all([
    ports.uses.counted(
      [id, ...ofCodes.map(codeKey), ...ofUnits.map(({ key }) => key)].map((key) => ({ key, ...span })),
      new Date(now),
    ),
    ports.uses.newest(id, person.stores, NEWEST),
    ports.uses.beyond(id, person.stores),
  ]);
  const none = { taken: 0, held: 0 };
  return {
    inAll: uses.inAll === undefined ? null : { most: uses.inAll, ...(counted.get(id) ?? none) },
    codes: ofCodes.map((code) => ({
      code,
      most: uses.perCode!,
      ...(counted.get(codeKey(code)) ?? none),
    })),
    perShopper: uses.perShopper ?? null,
    units: ofUnits.map(({ code, key, most }) => ({ code, most, ...(counted.get(key) ?? none) })),
    every: uses.every ?? null,
    beyond: {
      receipts: beyond.receipts,
      worth: formatAmount(minorUnits(beyond.worth), compiled.plan.currency),
    },
    currency: compiled.plan.currency.code,
    newest: receiptsOf(newest).map(({ first, keys }) => {
      const store = compiled.stores.get(first.store);
      const code = codes.find((one) =>
        keys.some(({ key }) => key === codeKey(one) || key === unitsOfCodeKey(id, one)),
      );
      const whose = keys
        .map(({ key }) => withoutUnits(key))
        .find((key) => key.startsWith(shopperKey(id, '')));
      const counts = keys.filter(({ key }) => key !== withoutUnits(key)).map(({ units }) => units);
      return {
        at: first.at.toISOString(),
        store: first.store,
        storeName: store?.name ?? first.store,
        timeZone: store?.timeZone ?? 'UTC',
        terminal: first.terminal,
        code: code ?? null,
        batch: keys.map(({ key }) => batchOfKey(key)).find((batch) => batch !== null) ?? null,
        shopper: whose?.slice(shopperKey(id, '').length) ?? null,
        units: counts.length > 0 ? Math.max(...counts) : null,
        over: keys.some(({ over }) => over),
      };
    }),
  };
}

const spanAt = (every: UseSpan, compiled: CompiledPlan, now: number): string =>
  formatLocalDate(firstDayOf(every, dayOf(todayIn(compiled, instant(now)))));

/** A receipt may use the promotion itself, a code of it, and what a shopper has of it: it is told once. */
function receiptsOf(uses: readonly UseMade[]): { first: UseMade; keys: UseMade[] }[] {
  const found = new Map<string, { first: UseMade; keys: UseMade[] }>();
  for (const use of uses) {
    const name = `${use.terminal} ${use.basket}`;
    const known = found.get(name);
    if (known) known.keys.push(use);
    else found.set(name, { first: use, keys: [use] });
  }
  return [...found.values()];
}
