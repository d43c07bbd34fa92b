import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';

/** What a use case does without knowing who asks, and why that is right. A new one is added with its reason, or not at all. */
const NOBODY_IN_PARTICULAR: Readonly<Record<string, string>> = {
  searchItems: 'numbers, barcodes and names of goods are the same for everybody',
  matchCodes: 'numbers, barcodes and names of goods are the same for everybody',
  readSheetLines: 'tells which of the sent numbers are goods',
  noteTerminal: 'a terminal says what it holds, known by its own key',
  holdUses: 'a till counts for a basket, known by its own key',
  takeUses: 'a till counts for a basket, known by its own key',
  giveBackUses: 'a till counts for a basket, known by its own key',
  makeFirstAdministrator: 'who holds the code of the console is nobody yet',
  keepFindings: 'the application itself, once the plan has rested',
  keepLoopholes: 'the application itself, once the plan has rested',
  asKnown: 'hands on the plan of another time; what is asked of it knows who asks',
  renewEpoch: 'the application itself, once a restored backup was noticed',
  sendByItself: 'the application itself, at the hour that the chain has set',
  sendForgotten: 'who has forgotten their password is nobody yet',
  setPassword: 'who holds the link of a letter is who it was sent to',
  unsentTo: 'a part of what shows shelf tags, which asks who may',
  actingInFailing: 'a part of what is sent by itself, which nobody in particular asks for',
  renewPriceFiles: 'the application itself, once what terminals hold is half over',
  sendAgain: 'a part of those that send once more, which ask who may',
  shopperOf: 'a part of what prices are asked by, which ask who may',
  matchPeople: 'a part of what brings people of a file in, which asks who may',
  cardAtTill: 'a till is shown a card, known by its own key',
  holderOfCard: 'a till was shown a card while it was cut off, known by its own key',
  personOfCard: 'a part of what a till asks of a card',
  kindsToJoin: 'who asks to be let in is nobody yet',
  askToJoin: 'who asks to be let in is nobody yet',
  proveAddress: 'who holds the code of a letter is who it was sent to',
  followAim: 'works on questions and answers of ours alone',
};

interface Exported {
  readonly name: string;
  readonly parameters: string;
}

/** Functions of a source that do something with ports. */
function asking(text: string): Exported[] {
  return [...text.matchAll(/^export (?:async )?function (\w+)(?:<[^>]*>)?\(([\s\S]*?)\n?\)(?:: |\s*\{)/gm)]
    .map(([, name, parameters]) => ({ name: name!, parameters: parameters! }))
    .filter(({ name, parameters }) => /\bports\b|\bbook\b/.test(parameters) || name in NOBODY_IN_PARTICULAR);
}

const FOLDER = 'src/usecases';
const all = readdirSync(FOLDER, { recursive: true, encoding: 'utf8' })
  .filter((file) => file.endsWith('.ts') && !file.endsWith('.test.ts'))
  .flatMap((file) => asking(readFileSync(`${FOLDER}/${file}`, 'utf8')).map((one) => ({ ...one, file })));

describe('a use case', () => {
  it('that asks ports is found', () => {
    expect(all.length).toBeGreaterThan(35);
  });
  it('knows who asks, unless it says why it need not', () => {
    const blind = all.filter(({ parameters }) => !/\bperson\b/.test(parameters)).map(({ name }) => name);
    expect(blind.filter((name) => !(name in NOBODY_IN_PARTICULAR))).toEqual([]);
    // A reason that nobody needs any more goes.
    expect(Object.keys(NOBODY_IN_PARTICULAR).filter((name) => !blind.includes(name))).toEqual([]);
  });
});
