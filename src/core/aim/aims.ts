import type { OfferDocument } from '../plan/index.ts';
import { type Answer, type Lead, NO_GOODS, type Question } from './aim.ts';

const ask = (words: string, ...answers: Answer[]): Question => ({ kind: 'question', words, answers });
const answer = (key: string, words: string, leads: Question | Lead): Answer => ({ key, words, leads });
const lead = (
  why: string,
  offer: OfferDocument,
  { first = null, ...more }: NonNullable<Lead['more']> & { first?: string | null } = {},
): Lead => ({ kind: 'lead', why, offer, first, more });

const items = NO_GOODS;
const some = (quantity: number) => ({ items, quantity });
const less = (percentOff: number): OfferDocument => ({ kind: 'priceChange', items, formula: { percentOff } });
const severalFor = (take: number): OfferDocument => ({
  kind: 'mixAndMatch',
  items,
  take,
  value: { total: '10' },
});

const CLEAR = ask(
  'What has to go?',
  answer(
    'few',
    'A few items, and soon',
    ask(
      'Who should get the better price?',
      answer(
        'all',
        'Everybody',
        lead('A lower price on the shelf is seen by all, and needs no explaining.', less(3_000)),
      ),
      answer(
        'more',
        'Who takes more of it',
        lead('The more of it goes at once, the cheaper each: the stock leaves in larger steps.', {
          kind: 'quantityBreak',
          items,
          count: 'item',
          tiers: [
            { atLeast: 2, percentOff: 2_000 },
            { atLeast: 4, percentOff: 3_500 },
          ],
        }),
      ),
    ),
  ),
  answer(
    'many',
    'Many slow items that can be mixed',
    lead('With one of every three free, shoppers pick from all of them; you give away the cheapest.', {
      kind: 'mixAndMatch',
      items,
      take: 3,
      rewarded: 1,
      pick: 'cheapest',
      value: { percentOff: 10_000 },
    }),
  ),
);

const BIGGER = ask(
  'Where should the basket grow?',
  answer(
    'same',
    'More of the same',
    ask(
      'How is it taken?',
      answer(
        'few',
        'In twos and threes',
        lead('A round price for three is easy to remember and to take along.', severalFor(3)),
      ),
      answer(
        'dozens',
        'By the dozen',
        lead('One free of every twelve rewards who stocks up, and nobody else.', {
          kind: 'freeGoods',
          items,
          count: 'set',
          every: 12,
          free: 1,
          parts: 'whole',
        }),
      ),
    ),
  ),
  answer(
    'along',
    'Something else along with it',
    ask(
      'What goes together?',
      answer(
        'one',
        'One thing sells another',
        lead('Who buys what sells anyway gets what should be tried for half.', {
          kind: 'mixAndMatch',
          buy: [some(1)],
          get: some(1),
          value: { percentOff: 5_000 },
        }),
      ),
      answer(
        'kit',
        'Several things make a whole',
        lead('One price for one of each: nobody has to add up.', {
          kind: 'combo',
          slots: [
            { name: 'First choice', ...some(1) },
            { name: 'Second choice', ...some(1) },
            { name: 'Third choice', ...some(1) },
          ],
          value: { percentOff: 1_500 },
        }),
      ),
    ),
  ),
  answer(
    'everything',
    'More of everything',
    ask(
      'What should they reach for?',
      answer(
        'money',
        'Money off from an amount on',
        lead('Set the first amount a little over what an ordinary basket comes to.', {
          kind: 'basketReward',
          threshold: 'subtotal',
          tiers: [
            { atLeast: '30', amountOff: '3' },
            { atLeast: '60', amountOff: '8' },
          ],
        }),
      ),
      answer(
        'delivery',
        'Delivery for nothing',
        lead('Few things fill a basket like the charge that falls away.', {
          kind: 'deliveryReward',
          conditions: { subtotal: '40' },
          value: { free: true },
        }),
      ),
    ),
  ),
);

const BACK = ask(
  'How do you reach them?',
  answer(
    'code',
    'By a letter or a mail with a code',
    lead(
      'Money off a whole basket lets them choose; a code for one use a shopper keeps it to them.',
      { kind: 'basketReward', threshold: 'subtotal', tiers: [{ atLeast: '20', amountOff: '5' }] },
      { uses: { perShopper: 1 }, first: 'Give it a code under “codes”.' },
    ),
  ),
  answer(
    'long',
    'They order again after a while',
    lead(
      'It is for who ordered before; guests and first orders do not count.',
      {
        kind: 'basketReward',
        threshold: 'subtotal',
        tiers: [{ atLeast: '20', percentOff: 1_000 }],
        conditions: { minPastOrders: 1 },
      },
      { uses: { perShopper: 1 } },
    ),
  ),
  answer(
    'group',
    'They are in a group of shoppers',
    lead('A lower price that only their group pays is a reason to come.', less(1_000), {
      first: 'Say for whom it is in the sentence.',
    }),
  ),
);

const MATCH = ask(
  'What does the neighbour do?',
  answer(
    'price',
    'A lower price',
    lead('The same price or a little less, for as long as theirs stands.', {
      kind: 'priceChange',
      items,
      formula: { setTo: '9.99' },
    }),
  ),
  answer('several', 'Several for one price', lead('The same number for a little less.', severalFor(2))),
  answer(
    'second',
    'The second one cheaper',
    lead('The same, with your own goods: the cheaper of two at half its price.', {
      kind: 'mixAndMatch',
      items,
      take: 2,
      rewarded: 1,
      pick: 'cheapest',
      value: { percentOff: 5_000 },
    }),
  ),
);

const LAUNCH = ask(
  'How is it best tried?',
  answer(
    'cheap',
    'Cheaply, for the first weeks',
    lead('A lower price for as long as it is new; give it an end.', less(2_000)),
  ),
  answer(
    'gift',
    'For nothing, with something known',
    lead(
      'Who buys what they know takes the new one home too; its cost counts in the margin.',
      { kind: 'freeGoods', items, count: 'set', every: 2, free: 1, parts: 'whole' },
      { limitPerBasket: 1, first: 'Press “1 free of every 2” and choose the gift.' },
    ),
  ),
  answer(
    'with',
    'Together with what it goes with',
    lead('Both for one price: the known one carries the new one.', {
      kind: 'combo',
      slots: [
        { name: 'The new one', ...some(1) },
        { name: 'What it goes with', ...some(1) },
      ],
      value: { percentOff: 2_000 },
    }),
  ),
);

/** From what somebody wants to bring about to a kind of promotion that fits. */
export const AIMS: Question = ask(
  'What do you want to bring about?',
  answer('clear', 'Clear stock', CLEAR),
  answer('bigger', 'Fill bigger baskets', BIGGER),
  answer('back', 'Bring people back', BACK),
  answer('match', 'Match a neighbour', MATCH),
  answer('launch', 'Launch something new', LAUNCH),
);

/** No aim takes more questions than this, the one for the aim itself among them. */
export const MOST_QUESTIONS = 3;
