import { readDecimal } from '../../contracts/table/index.ts';
import {
  type BasketCheckView,
  type CheckedBasketDocument,
  type Lens,
  lensQuery,
  SHOPPER_PREFIX,
  shopperNumberIn,
} from '../../contracts/view/index.ts';
import { asTyped } from '../../ui/writing/index.ts';
import { linesOf, type TrialLine, textOf } from './lines.ts';

/** What is known of a basket beside its goods, as it was typed; an empty text is nothing. */
export const NO_EXTRAS = {
  codes: '',
  payment: '',
  way: '',
  charge: '',
  region: '',
  postcode: '',
  linkTag: '',
  pastOrders: '',
  lifetimeSpend: '',
} as const;
export type Extras = Readonly<Record<keyof typeof NO_EXTRAS, string>>;
const KEYS = Object.keys(NO_EXTRAS) as (keyof Extras)[];

export interface TypedBasket {
  readonly lines: readonly TrialLine[];
  readonly extras: Extras;
  /** The terminal by whose price file of that moment it is rung; absent: by the plan. */
  readonly till?: string;
}

/** A basket out of an address. */
export function typedBasketOf(search: string): TypedBasket {
  const query = new URLSearchParams(search);
  const extras = Object.fromEntries(KEYS.map((key) => [key, query.get(key) ?? '']));
  const till = query.get('till');
  return {
    lines: linesOf(query.get('lines') ?? ''),
    extras: extras as Extras,
    ...(till ? { till } : {}),
  };
}

/** Its address: who is sent the link sees the same basket. */
export function basketAddress(lens: Lens, { lines, extras, till }: TypedBasket): string {
  const said = KEYS.filter((key) => extras[key].trim() !== '').map((key) => [key, extras[key].trim()]);
  const goods = lines.length > 0 ? { lines: textOf(lines) } : {};
  return `/check/basket${lensQuery(lens, { ...(till ? { till } : {}), ...goods, ...Object.fromEntries(said) })}`;
}

/** What is typed where an amount belongs, with a point; null where it is none. */
const amountOf = (text: string): string | null => (text.trim() === '' ? null : readDecimal(asTyped(text)));

/** Fields whose text says nothing that counts: they are pointed out, as the basket is rung without them. */
export const misread = (extras: Extras): readonly (keyof Extras)[] =>
  (['charge', 'pastOrders', 'lifetimeSpend'] as const).filter((key) => {
    const text = extras[key].trim();
    return text !== '' && (key === 'pastOrders' ? !/^\d+$/.test(text) : amountOf(text) === null);
  });

/** Spaces within a code make no difference, and stand between none. */
const codesIn = (text: string): string[] =>
  text
    .split(/[,;]/)
    .map((code) => code.trim())
    .filter(Boolean);

/** The basket in the open format, without its moment. */
export function basketDocument(
  { lines, extras, till }: TypedBasket,
  store: string,
  shopper: string | null,
): CheckedBasketDocument {
  const { codes, payment, way, charge, region, postcode, linkTag, pastOrders, lifetimeSpend } = extras;
  const [spent, paid] = [amountOf(lifetimeSpend), amountOf(charge)];
  const history = {
    ...(/^\d+$/.test(pastOrders.trim()) ? { pastOrders: Number(pastOrders) } : {}),
    ...(spent === null ? {} : { lifetimeSpend: spent }),
  };
  const number = shopperNumberIn(shopper);
  const told = number === null ? (shopper === null ? {} : { groups: [shopper] }) : { id: number };
  const known = shopper !== null || Object.keys(history).length > 0;
  const delivery = paid === null ? {} : { delivery: { way: way.trim() || 'delivery', charge: paid } };
  const said = Object.entries({ payment, region, postcode, linkTag }).flatMap(([key, text]) =>
    text.trim() === '' ? [] : [[key, text.trim()]],
  );
  return {
    store,
    ...(known ? { shopper: { ...told, ...history } } : {}),
    ...(till ? { terminal: till } : {}),
    ...(codes.trim() ? { codes: codesIn(codes) } : {}),
    ...delivery,
    ...Object.fromEntries(said),
    lines: [...lines],
  };
}

/** Where a kept basket is looked at. */
export function checkPath({ basket, result }: Pick<BasketCheckView, 'basket' | 'result'>): string {
  const { shopper, delivery } = basket;
  const told = typeof shopper === 'object' ? shopper : {};
  const extras: Extras = {
    codes: basket.codes?.join(', ') ?? '',
    payment: basket.payment ?? '',
    way: delivery?.way ?? '',
    charge: delivery?.charge ?? '',
    region: basket.region ?? '',
    postcode: basket.postcode ?? '',
    linkTag: basket.linkTag ?? '',
    pastOrders: told.pastOrders === undefined ? '' : String(told.pastOrders),
    lifetimeSpend: told.lifetimeSpend ?? '',
  };
  const lines = basket.lines.map(({ sku, quantity }) => ({ sku, quantity: String(quantity) }));
  return basketAddress(
    {
      where: basket.store,
      at: result.at,
      shopper: told.id === undefined ? (told.groups?.[0] ?? null) : `${SHOPPER_PREFIX}${told.id}`,
    },
    { lines, extras },
  );
}
