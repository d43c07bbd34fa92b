import { gzipSync } from 'node:zlib';
import type { ChangeEnvelope, PriceFileEnvelope } from '../../contracts/index.ts';
import type { Instant } from '../../core/calendar/index.ts';
import type { PlanDocument } from '../../core/plan/index.ts';
import {
  changeTo,
  datesOf,
  inKeyOrder,
  type Manifest,
  type PriceFileContent,
} from '../../core/price-file/index.ts';
import { canonicalText, canonicalTextWith } from '../../signing/index.ts';
import type { PackedPriceFile, SentFile, Signer } from '../ports/index.ts';

/** A price file as it was made. */
export interface MadePriceFile extends Pick<PackedPriceFile, 'store' | 'sha256' | 'signature' | 'manifest'> {
  readonly content: string;
  /** What makes it of the file that its store was sent before, where that is less; null: it goes as a whole. */
  readonly change: ChangeEnvelope | null;
}

export interface ToMake {
  readonly store: string;
  readonly plan: PlanDocument;
  readonly manifest: Manifest;
  /** What the store was sent before, where its terminals may be told the difference alone; null: they get it whole. */
  readonly before: SentFile | null;
  /** The canonical text of the plan with its lists in order, where it is known. */
  readonly planText?: string;
}

/** A difference that is more than this share of the whole is not worth the trouble. */
const MOST_OF_IT = 0.5;

/**
 * Makes and signs the price file of one store.
 * @param textOf the canonical text; of many files that share their goods it may be told quicker.
 */
export function makePriceFile(
  { store, plan, manifest, before, planText }: ToMake,
  number: number,
  signer: Signer,
  now: Instant,
  textOf: (content: object) => string = canonicalText,
): MadePriceFile {
  const head: Omit<Required<PriceFileContent>, 'plan'> = {
    ...{ format: 'bell-tag-price-file', version: 1, store, number },
    ...{ ...datesOf(now), key: signer.key },
  };
  const content = { ...head, plan: planText === undefined ? inKeyOrder(plan) : plan };
  const text = planText === undefined ? textOf(content) : canonicalTextWith(head, 'plan', planText);
  const { sha256, signature } = signer.sign(text);
  const change = before && changeFrom(before, content, manifest, signature);
  const isLess = change !== null && JSON.stringify(change.change).length < text.length * MOST_OF_IT;
  return { store, content: text, manifest, sha256, signature, change: isLess ? change : null };
}

/** As it lies ready for terminals. */
export function packed({ content, change, ...file }: MadePriceFile, number: number): PackedPriceFile {
  const { store, signature } = file;
  return {
    ...file,
    envelope: gzipped({ store, number, content, signature }),
    change: change && { packed: gzipped(change), from: change.from, fromSha256: change.fromSha256 },
  };
}

const gzipped = (envelope: PriceFileEnvelope | ChangeEnvelope): Uint8Array =>
  gzipSync(JSON.stringify(envelope), { level: 6 });

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
