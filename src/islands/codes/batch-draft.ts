import type { CodeBatchRequest } from '../../contracts/index.ts';
import type { CodeBatchView } from '../../contracts/view/index.ts';
import {
  BESIDE_DRAWN,
  type CodePattern,
  drawCode,
  LEAST_LENGTH,
  MOST_BESIDE,
  MOST_LENGTH,
} from '../../core/codes/index.ts';

/** A batch that is being thought out, as it is typed. */
export interface BatchDraft {
  readonly count: string;
  readonly length: string;
  readonly of: CodePattern['of'];
  readonly prefix: string;
  readonly suffix: string;
  /** Empty: no dashes. */
  readonly dashEvery: string;
  /** Days as ISO 8601; empty: as long as the promotion. */
  readonly from: string;
  readonly to: string;
  readonly test: boolean;
}

export const FIRST_BATCH: BatchDraft = {
  ...{ count: '1000', length: '10', of: 'both', prefix: '', suffix: '', dashEvery: '5' },
  ...{ from: '', to: '', test: false },
};

/** One more of the kind. */
export const likeBatch = ({ pattern, wanted, to, test }: CodeBatchView): BatchDraft => ({
  ...{ count: String(wanted), length: String(pattern.length), of: pattern.of },
  ...{ prefix: pattern.prefix, suffix: pattern.suffix, dashEvery: String(pattern.dashEvery ?? '') },
  // Those begin when they are made.
  ...{ from: '', to: to ?? '', test },
});

export type BatchField = 'count' | 'length' | 'prefix' | 'suffix' | 'dashEvery';

/** What cannot be read as it is typed, by field. */
export function misreadIn(draft: BatchDraft): Partial<Record<BatchField, string>> {
  const length = wholeOf(draft.length);
  const beside = (text: string) =>
    BESIDE_DRAWN.test(text) && text.length <= MOST_BESIDE
      ? undefined
      : `at most ${MOST_BESIDE} letters from A to Z, digits and dashes`;
  return present({
    count: wholeOf(draft.count) === null ? 'a whole number from 1' : undefined,
    length:
      length === null || length < LEAST_LENGTH || length > MOST_LENGTH
        ? `a whole number from ${LEAST_LENGTH} to ${MOST_LENGTH}`
        : undefined,
    prefix: beside(draft.prefix),
    suffix: beside(draft.suffix),
    dashEvery:
      draft.dashEvery.trim() !== '' && wholeOf(draft.dashEvery) === null
        ? 'a whole number from 1, or nothing'
        : undefined,
  });
}

const present = <T extends object>(fields: T): Partial<T> =>
  Object.fromEntries(Object.entries(fields).filter(([, value]) => value !== undefined)) as Partial<T>;

const wholeOf = (text: string): number | null =>
  /^[1-9]\d{0,6}$/.test(text.trim()) ? Number(text.trim()) : null;

/** The field of the form of which a refusal speaks. */
export const fieldAt = (path: string): string => path.slice(path.lastIndexOf('/') + 1);
const SHOWN_BESIDE = ['count', 'length', 'prefix', 'suffix', 'dashEvery', 'from', 'to'];

/** Whether all that is wrong stands beside a field. */
export const standsBeside = (faults: readonly { readonly path: string }[]): boolean =>
  faults.length > 0 && faults.every(({ path }) => SHOWN_BESIDE.includes(fieldAt(path)));

/** What is asked for; null where something cannot be read. */
export function askedBy(draft: BatchDraft): CodeBatchRequest | null {
  if (Object.keys(misreadIn(draft)).length > 0) return null;
  return {
    count: wholeOf(draft.count)!,
    pattern: {
      ...{ length: wholeOf(draft.length)!, of: draft.of, prefix: draft.prefix, suffix: draft.suffix },
      dashEvery: wholeOf(draft.dashEvery),
    },
    ...{ from: draft.from || null, to: draft.to || null, test: draft.test },
  };
}

/** Codes as they will look; they are of no batch, and open nothing. */
export const sampleOf = (pattern: CodePattern, count: number): string[] =>
  Array.from({ length: count }, () => drawCode(pattern, pickHere));

/** From the browser's generator; each number as likely as any other. */
function pickHere(below: number): number {
  const most = 2 ** 32 - (2 ** 32 % below);
  const [drawn] = crypto.getRandomValues(new Uint32Array(1));
  return drawn! < most ? drawn! % below : pickHere(below);
}
