import type { AskedBasket } from './receipt-page.ts';
import type { TillBasket } from './ring-basket.ts';

/** What a form asks for; what it adds stands among the goods at once. */
export function basketAsked(query: URLSearchParams): Omit<AskedBasket, 'basket'> {
  const text = (key: string) => (query.get(key) ?? '').trim();
  const added = text('add') === '' ? [] : [`${text('add')}*${text('quantity') || '1'}`];
  const lines = [...text('lines').split(',').filter(Boolean), ...added].join(',');
  return {
    ...{ lines, codes: text('codes'), group: text('group'), card: text('card') },
    ...{ payment: text('payment'), language: text('language') },
  };
}

/** "Q100181*2,Q100119*0.5" */
export const linesOf = (text: string): TillBasket['lines'] =>
  text
    .split(',')
    .filter(Boolean)
    .map((line) => {
      const [sku = '', quantity = '1'] = line.split('*');
      return { sku: sku.trim(), quantity: quantity.trim() };
    });

export function basketOf(
  { codes, group, card, payment }: Omit<AskedBasket, 'basket'>,
  lines: TillBasket['lines'],
): TillBasket {
  return {
    ...(card === '' ? {} : { card }),
    ...(group === '' ? {} : { shopper: { groups: [group] } }),
    ...(codes === ''
      ? {}
      : {
          codes: codes
            .split(/[,;]/)
            .map((code) => code.trim())
            .filter(Boolean),
        }),
    ...(payment === '' ? {} : { payment }),
    lines,
  };
}
