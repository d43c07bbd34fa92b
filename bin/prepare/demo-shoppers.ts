import { cardCheckDigit } from '../../src/core/cards/index.ts';
import type { PlanDocument } from '../../src/core/plan/index.ts';
import { joinRepository, letterRepository, shopperRepository } from '../../src/db/index.ts';
import type { Ports } from '../../src/server/standing/ports.ts';

const DAY = 86_400_000;
const HOUR = 3_600_000;
const AT_ONCE = 8;

const FIRST = [
  'Alva',
  'Bran',
  'Cosima',
  'Dario',
  'Enna',
  'Fenno',
  'Greta',
  'Hanno',
  'Ilvy',
  'Jorun',
  'Kaia',
  'Lorin',
];
const LAST = ['Amberlee', 'Brookhart', 'Calder', 'Dunmere', 'Elverton', 'Fenwold', 'Garnley', 'Hollowell'];

/** A name for each of some, none of them twice: every first name meets every last one. */
const nameOf = (i: number): string =>
  `${FIRST[i % FIRST.length]} ${LAST[Math.floor(i / FIRST.length) % LAST.length]}`;

const FIRM = ['Odwin Marlowe', 'Sunniva Pell', 'Tamsin Roe'];
const MEMBERS = 60;
/** So many of them come with a card alone. */
const NAMELESS = 12;

/** The number of the card of one of the members. */
export const memberCard = (i: number, prefix: string, digits: number): string => {
  const body = `${prefix}${String(i + 1).padStart(digits - prefix.length - 1, '0')}`;
  return `${body}${cardCheckDigit(body)}`;
};

/** People who shop: three of a firm, members with cards and receipts, and two who ask to be let in. */
export async function demoShoppers(
  { db, codeSeal }: Pick<Ports, 'db' | 'codeSeal'>,
  { shopperGroups = [], shoppers = [], terminals = [] }: PlanDocument,
  person: string,
  now: number,
): Promise<void> {
  const people = shopperRepository(db);
  const firm = shoppers.filter(({ account }) => account !== undefined);
  for (const [i, name] of FIRM.entries()) {
    const [id] = (await people.newNumbers(1)) as [string];
    if (firm.some((one) => one.id === id))
      await people.add(
        id,
        { name, email: addressOf(name), groups: [] },
        [],
        person,
        new Date(now - (90 - i) * DAY),
      );
  }
  const cards = shopperGroups.find(({ id }) => id === 'members')?.cards;
  if (!cards) return;
  const add = async (i: number) => {
    const [id] = (await people.newNumbers(1)) as [string];
    const number = memberCard(i, cards.prefix, cards.digits);
    const name = i < MEMBERS - NAMELESS ? nameOf(i) : null;
    const kept = { hash: codeSeal.hashOfCard(number), lastDigits: number.slice(-4) };
    const details = { name, email: name && addressOf(name), groups: ['members'] };
    await people.add(id, details, [kept], person, new Date(now - (80 - i) * DAY));
    for (let order = 0; order < (i * 7) % 5; order++)
      await people.closed({
        ...{
          person: id,
          terminal: terminals[(i * 11 + order) % terminals.length]!.id,
          basket: `member-${i}-${order}`,
        },
        ...{
          at: new Date(now - (order * 6 + (i % 5)) * DAY - 3 * HOUR),
          paid: 640 + ((i * 977 + order * 331) % 4_200),
        },
      });
  };
  for (let i = 0; i < MEMBERS; i += AT_ONCE)
    await Promise.all(Array.from({ length: Math.min(AT_ONCE, MEMBERS - i) }, (_, j) => add(i + j)));
  await demoRequests({ db, codeSeal }, now);
}

const addressOf = (name: string): string => `${name.toLowerCase().replace(' ', '.')}@letters.example`;

const REQUESTS = [
  { name: 'Maren Tolliver', word: 'We run a small nursery and buy baby goods by the box.' },
  { name: 'Ruben Ashcombe', word: 'Photo studio; about two hundred prints a month.' },
];

async function demoRequests({ db, codeSeal }: Pick<Ports, 'db' | 'codeSeal'>, now: number): Promise<void> {
  const [joins, letters] = [joinRepository(db), letterRepository(db)];
  for (const [i, { name, word }] of REQUESTS.entries()) {
    const email = addressOf(name);
    const asked = new Date(now - (2 + 20 * i) * HOUR);
    const proof = codeSeal.hashOf(`demo ${email}`);
    const id = await joins.ask({ group: 'trade', name, email, word }, proof, asked);
    await joins.prove(id, proof, 1, new Date(asked.getTime() - 1));
    await letters.put({
      to: email,
      subject: 'Your code to ask for Trade customers',
      text: `Dear ${name},\n\nthe code was typed, and your request is seen.`,
    });
  }
}
