import type { DocumentName } from '../../contracts/json-schema.ts';

/** What of the interface is promised to other programs: as long as it is version 1 it goes on as it is. */
export interface Operation {
  /** What it does, for who reads the list. */
  readonly does: string;
  /** What comes back. */
  readonly answers: string;
  readonly group: keyof typeof GROUPS;
  /** A document that is sent, or that comes back, by the name of its schema. */
  readonly sends?: DocumentName;
  readonly brings?: DocumentName;
  /** Bytes that are sent, or that come back, instead of JSON. */
  readonly sendsType?: string;
  readonly bringsType?: string;
  readonly created?: true;
  /** What may stand in the address beside what its shape tells. */
  readonly asks?: Readonly<Record<string, string>>;
  /** Headers that are heeded. */
  readonly heeds?: readonly ('If-Match' | 'Idempotency-Key')[];
}

export const GROUPS = {
  plan: 'The plan as a whole',
  promotions: 'Promotions',
  prices: 'Prices',
  baskets: 'Baskets',
  findings: 'What may be wrong',
  stockroom: 'The stockroom',
  sending: 'Sending',
} as const;

const KNOWN = { known: 'The plan as it was known at this moment: a day, or a moment with an offset.' };
const PROMOTION_ANSWER = 'The revision that it has now, and what was saved.';
const ONCE = ['Idempotency-Key'] as const;

/** By method and address, as under /api/v1. */
export const OPERATIONS: Readonly<Record<string, Operation>> = {
  'GET /plan': {
    ...{ group: 'plan', does: 'The whole plan, costs and all, for who is told costs of all stores.' },
    ...{ answers: 'The document, with its version as ETag.', brings: 'plan' },
  },
  'PUT /plan': {
    ...{ group: 'plan', does: 'Makes a document the whole plan, or refuses all of it. For people only.' },
    ...{ answers: 'How much there is of each part.', sends: 'plan', heeds: ['If-Match'] },
  },
  'GET /promotions': {
    ...{ group: 'promotions', does: 'Promotions, with how each stands and when it counts.' },
    answers: 'A list; where a limit leaves some out, Link says the address of the rest (RFC 8288).',
  },
  'POST /promotions': {
    ...{ group: 'promotions', does: 'Writes a new promotion, as a draft.', heeds: ONCE },
    ...{ answers: PROMOTION_ANSWER, created: true },
  },
  'GET /promotions/{id}': {
    ...{ group: 'promotions', does: 'One promotion, its revision, and what waits for approval of it.' },
    answers: 'The promotion, its life so far and its revision, which is also its ETag.',
  },
  'PUT /promotions/{id}': {
    ...{ group: 'promotions', does: 'Saves a promotion that was opened at a revision.', heeds: ['If-Match'] },
    answers: PROMOTION_ANSWER,
  },
  'PATCH /promotions/{id}': {
    ...{ group: 'promotions', does: 'Pauses it, ends it, or puts it away.' },
    answers: 'The revision that it has now.',
  },
  'GET /promotions/{id}/uses': {
    ...{ group: 'promotions', does: 'How often a promotion with a limit was used at all tills together.' },
    answers: 'What was used and is kept for baskets now, of how much, and the newest uses.',
  },
  'GET /promotions/{id}/codes': {
    ...{ group: 'promotions', does: 'The batches of single-use codes of a promotion.' },
    answers: 'Each batch: how many codes, how far they are made, how many were used, what they took off.',
  },
  'POST /promotions/{id}/codes': {
    ...{ group: 'promotions', does: 'Has a batch of single-use codes made, beside.', heeds: ONCE },
    ...{
      answers: 'The number of the batch; asked for again, the batches say when it is whole.',
      created: true,
    },
  },
  'POST /codes/{batch}/list': {
    ...{
      group: 'promotions',
      does: 'Takes the codes of a batch as long as its list is kept; the trail tells of it.',
    },
    ...{ answers: 'One code a line, with a heading.', bringsType: 'text/csv' },
    asks: { by: '"hashes": a file beside the plan instead, which tells no code.' },
  },
  'POST /codes/find': {
    ...{ group: 'promotions', does: 'What a code is, and which receipts used it.' },
    answers: 'Its promotion, its batch, how it stands, and its uses.',
  },
  'POST /promotions/{id}/step': {
    ...{ group: 'promotions', does: 'Submits it, approves it, or sends it back with a reason.' },
    answers: 'The revision that it has now, and how it stands.',
  },
  'POST /promotions/findings': {
    ...{ group: 'promotions', does: 'What may be wrong with a promotion, before it is saved.' },
    answers: 'The findings, sorted by what they cost.',
  },
  'POST /promotions/outlook': {
    ...{
      group: 'promotions',
      does: 'What a promotion would do to takings and margin, with what you assume.',
    },
    answers: 'The sums, store by store.',
  },
  'GET /promotions/touching': {
    ...{ group: 'promotions', does: 'The promotions that touch an item.' },
    answers: 'A list.',
  },
  'GET /promotions.ics': {
    ...{ group: 'promotions', does: 'When promotions count, as a calendar.' },
    ...{ answers: 'The calendar (RFC 5545).', bringsType: 'text/calendar' },
  },
  'GET /price': {
    ...{ group: 'prices', does: 'The effective price of an item at a store and a moment, and why.' },
    answers: 'The price, each step that led to it, and the steps of the days around.',
  },
  'GET /price/across': {
    ...{ group: 'prices', does: 'The price of an item at the same wall time in many stores.' },
    answers: 'A price a store.',
  },
  'GET /grid': {
    ...{ group: 'prices', does: 'A part of the grid of goods by stores.', asks: KNOWN },
    answers: 'Rows and columns, and how many there are of both.',
  },
  'GET /grid/file': {
    ...{ group: 'prices', does: 'The grid as a file.', asks: KNOWN },
    ...{ answers: 'CSV or XLSX.', bringsType: 'text/csv' },
  },
  'GET /timeline': {
    ...{ group: 'prices', does: 'Every price of an item over a year.', asks: KNOWN },
    answers: 'The steps, store by store.',
  },
  'POST /basket': {
    ...{ group: 'baskets', does: 'Rings a basket, as the plan would or as a till did.', sends: 'basket' },
    answers: 'The receipt, and why each line costs what it does.',
    asks: { ...KNOWN, till: 'A terminal: the basket is rung by the price file that it held.' },
  },
  'GET /basket-checks': {
    ...{ group: 'baskets', does: 'Rings the kept baskets.' },
    answers: 'Each with what it costs, and whether that is what was expected.',
  },
  'GET /findings': {
    ...{ group: 'findings', does: 'What may be wrong in the plan.', asks: KNOWN },
    answers: 'The findings, sorted by what they cost.',
  },
  'POST /findings/accepted': {
    ...{ group: 'findings', does: 'Accepts a finding, with a reason.' },
    answers: 'Nothing else.',
  },
  'DELETE /findings/accepted': {
    ...{ group: 'findings', does: 'Takes an acceptance back.' },
    answers: 'Nothing else.',
  },
  'GET /loopholes': {
    ...{ group: 'findings', does: 'Searches for baskets that leave less than nothing.', asks: KNOWN },
    answers: 'The worst baskets that were found, each proved or not.',
  },
  'GET /items': {
    ...{ group: 'stockroom', does: 'Finds goods by words, numbers or codes.' },
    answers: 'A list.',
  },
  'POST /items': {
    ...{ group: 'stockroom', does: 'Finds goods by a list of codes.' },
    answers: 'Which item each code is of.',
  },
  'GET /stockroom/{table}': {
    ...{ group: 'stockroom', does: 'Rows of a table, a stretch at a time (offset, limit).' },
    answers: 'The rows, and how many there are.',
  },
  'POST /stockroom/{table}': {
    ...{ group: 'stockroom', does: 'Changes, adds and drops rows: all of them or none.', heeds: ONCE },
    answers: 'What was changed, or waits for approval.',
  },
  'PUT /stockroom/{table}/{key}': {
    ...{
      group: 'stockroom',
      does: 'Saves one row whole, with its rules; "was" is what stood when it was opened.',
    },
    answers: 'What was saved.',
  },
  'GET /stockroom/{table}/file': {
    ...{ group: 'stockroom', does: 'A table as a file.' },
    ...{ answers: 'CSV, XLSX or JSON.', bringsType: 'text/csv' },
  },
  'POST /stockroom/{table}/file': {
    ...{ group: 'stockroom', does: 'Brings a file in (CSV, XLSX or JSON).' },
    ...{
      answers: 'A line of JSON for each step, and last what came of it.',
      sendsType: 'application/octet-stream',
    },
    bringsType: 'application/x-ndjson',
    asks: {
      dry: '1: only tells what it would do.',
      matching: 'An object, as JSON: which head of the file is which field.',
    },
  },
  'POST /waiting-entries/{id}': {
    ...{
      group: 'stockroom',
      does: 'Approves a change of the stockroom that waits, sends it back, or drops it.',
    },
    answers: 'How it stands now.',
  },
  'GET /send/review': {
    ...{ group: 'sending', does: 'What would go out now, in sum and store by store.' },
    answers: 'The review, with the version of the plan that it is of.',
  },
  'POST /send': {
    ...{ group: 'sending', does: 'Sends what was reviewed, to all stores or some.', heeds: ONCE },
    answers: 'The number of the price files, and to how many stores.',
  },
  'POST /send/anew': {
    ...{ group: 'sending', does: 'Sends what stores have been sent once more.', heeds: ONCE },
    answers: 'The number of the price files, and to how many stores.',
  },
  'PUT /send/held': {
    ...{ group: 'sending', does: 'Holds a promotion back, or lets it go.' },
    answers: 'Nothing else.',
  },
  'GET /send/store-prices': {
    ...{ group: 'sending', does: 'Which prices of a store change with the next sending.' },
    answers: 'Each with what it is and what it will be.',
  },
  'GET /send/terminals': {
    ...{ group: 'sending', does: 'Terminals that are not current, or all of them (all=1).' },
    answers: 'Each with what it holds, what it should hold, and what is wrong.',
  },
  'POST /send/wake': {
    ...{ group: 'sending', does: 'Has terminals look for a newer file now.' },
    answers: 'How many were told.',
  },
  'GET /send/stream': {
    ...{ group: 'sending', does: 'A line that tells whenever terminals, price files or the plan change.' },
    ...{ answers: 'Server-sent events.', bringsType: 'text/event-stream' },
  },
  'GET /rung': {
    ...{ group: 'sending', does: 'What a till rang for an item at a moment, by the file that it held.' },
    answers: 'The price and why, and which file that was.',
  },
};
