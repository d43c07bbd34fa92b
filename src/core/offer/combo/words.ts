import { itemWords, moneyWords } from '../../words/index.ts';
import { maybe, type OfferInWords, type Phrase, type Speech, said, someToChoose } from '../room/in-words.ts';
import { togetherWords } from '../value/words.ts';
import type { ComboDocument } from './combo.ts';

export const comboInWords: OfferInWords<ComboDocument> = {
  name: 'Combo',
  does: 'One of each for one price: something from every choice',
  phrase,
  onTag: ({ slots, value }, { currency, names }) => ({
    words: [
      slots.map(({ quantity, name }) => (quantity > 1 ? `${quantity} × ${name}` : name)).join(' + '),
      ...(value ? [togetherWords(value, currency, names.writing)] : ['together']),
    ].join(' '),
  }),
  nameOfPart: ({ slots }, part) => `“${slots[part]?.name}”`,
  begin: () => ({
    kind: 'combo',
    slots: [
      { name: 'First choice', ...someToChoose(1) },
      { name: 'Second choice', ...someToChoose(1) },
    ],
    value: { total: '5' },
  }),
};

function phrase({ slots, value, extra }: ComboDocument, { currency, names }: Speech): Phrase {
  const filled = slots.flatMap(({ name, items, quantity, each }, i): Phrase => {
    const many = quantity > 1 ? `${quantity} × ` : '';
    const price = each === undefined ? '' : ` at ${moneyWords(each, currency, names.writing)}`;
    const goods = itemWords(items, names);
    // A name that says no more than the goods is not said twice.
    const choice = same(name, goods) ? name : `${name || 'a choice without a name'} (${goods})`;
    return [i === 0 ? '' : ' + ', said(`slots/${i}`, `${many}${choice}${price}`)];
  });
  const extras = Object.entries(extra ?? {}).map(
    ([sku, amount]) => `${names.item(sku)} for ${moneyWords(amount, currency, names.writing)} more`,
  );
  return [
    ...filled,
    ...(value ? [' ', said('value', togetherWords(value, currency, names.writing))] : []),
    ...maybe('extra', extras.join(', ')),
  ];
}

const same = (a: string, b: string): boolean => a.toLowerCase() === b.toLowerCase();
