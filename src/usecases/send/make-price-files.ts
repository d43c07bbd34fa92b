import { manifestOf, type PriceFileContent } from '../../core/price-file/index.ts';
import { canonicalTexts } from '../../signing/index.ts';
import type {
  PackedPriceFile,
  PlanBook,
  PriceFileMaker,
  PriceFileOrder,
  SendingStore,
  SentFile,
  SigningKeys,
} from '../ports/index.ts';
import { makePriceFile, packed, type ToMake } from './make-price-file.ts';
import { sentText } from './sent-content.ts';
import { comparedStores } from './store-comparison.ts';

interface Ports {
  readonly book: PlanBook;
  readonly sending: SendingStore;
  readonly signer: SigningKeys;
}

/** The plan stands at another version than the one that was to be sent. */
export class PlanMovedOn extends Error {}

/** Makes them in the thread that asks. */
export const priceFileMaker = (ports: Ports): PriceFileMaker => ({
  make: (order) => makePriceFiles(ports, order),
});

/** Handed on together. */
const A_FEW = 6;

async function* makePriceFiles(
  ports: Ports,
  order: PriceFileOrder,
): AsyncGenerator<readonly PackedPriceFile[]> {
  const { number, now, of } = order;
  const signer = await ports.signer.newest();
  const textOf = canonicalTexts();
  let few: PackedPriceFile[] = [];
  for await (const one of of.kind === 'plan' ? ofPlan(ports, order, of) : asSent(ports, order, of)) {
    few.push(packed(makePriceFile(one, number, signer, now, textOf), number));
    if (few.length < A_FEW) continue;
    yield few;
    few = [];
  }
  if (few.length > 0) yield few;
}

async function* ofPlan(
  { book, sending }: Ports,
  { stores, now }: PriceFileOrder,
  { version, held }: Extract<PriceFileOrder['of'], { kind: 'plan' }>,
): AsyncGenerator<ToMake> {
  const current = await book.current();
  if (current.version !== version) throw new PlanMovedOn(`${current.version} stands, not ${version}`);
  for await (const { store, ...made } of comparedStores(current, sending, new Set(held), now, stores))
    yield { ...made, store: store.id };
}

/** What they were sent last, as it was. */
async function* asSent(
  { sending }: Ports,
  { stores }: PriceFileOrder,
  { whole }: Extract<PriceFileOrder['of'], { kind: 'sent' }>,
): AsyncGenerator<ToMake> {
  const numbers = await sending.newestNumbers();
  for (const store of stores) {
    const number = numbers.get(store);
    if (number === undefined) continue;
    const [text, file] = [await sentText(sending, store, number), await sending.sentFile(store, number)];
    if (text !== null) yield again(store, text, file, whole);
  }
}

function again(store: string, text: string, file: SentFile | null, whole: boolean): ToMake {
  const { plan, key } = JSON.parse(text) as PriceFileContent;
  const planText = key === undefined ? {} : { planText: planTextIn(text) };
  return {
    store,
    plan,
    manifest: file?.manifest ?? manifestOf(plan),
    before: whole ? null : file,
    ...planText,
  };
}

/** The plan in the canonical text of a price file: between the members that stand beside it. */
const planTextIn = (text: string): string =>
  text.slice(text.indexOf('"plan":') + '"plan":'.length, text.lastIndexOf(',"store":"'));
