import type { ChangeEnvelope } from '../../contracts/index.ts';
import type { Instant } from '../../core/calendar/index.ts';
import type { PlanDocument } from '../../core/plan/index.ts';
import {
  changeTo,
  datesOf,
  inKeyOrder,
  type Manifest,
  type PriceFileContent,
} from '../../core/price-file/index.ts';
import { canonicalText } from '../../signing/index.ts';
import type { MadePriceFile, SentFile, Signer } from '../ports/index.ts';

export interface ToMake {
  readonly store: string;
  readonly plan: PlanDocument;
  readonly manifest: Manifest;
  /** What the store was sent before, where its terminals may be told the difference alone; null: they get it whole. */
  readonly before: SentFile | null;
}

/** A difference that is more than this share of the whole is not worth the trouble. */
const MOST_OF_IT = 0.5;

/** Makes and signs the price file of one store. */
export function makePriceFile(
  { store, plan, manifest, before }: ToMake,
  number: number,
  signer: Signer,
  now: Instant,
): MadePriceFile {
  const content: Required<PriceFileContent> = {
    ...{ format: 'bell-tag-price-file', version: 1, store, number },
    ...{ ...datesOf(now), key: signer.key, plan: inKeyOrder(plan) },
  };
  const text = canonicalText(content);
  const { sha256, signature } = signer.sign(text);
  const change = before && changeFrom(before, content, manifest, signature);
  const isLess = change !== null && JSON.stringify(change.change).length < text.length * MOST_OF_IT;
  return { store, content: text, manifest, sha256, signature, change: isLess ? change : null };
}

const changeFrom = (
  before: SentFile,
  content: Required<PriceFileContent>,
  manifest: Manifest,
  signature: string,
): ChangeEnvelope => ({
  ...{ store: content.store, number: content.number, signature },
  ...{ from: before.number, fromSha256: before.sha256 },
  change: changeTo(before.manifest, manifest, content),
});
