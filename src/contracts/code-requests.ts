import Joi from 'joi';
import { parseLocalDate } from '../core/calendar/index.ts';
import {
  BESIDE_DRAWN,
  type CodePattern,
  LEAST_LENGTH,
  MOST_BESIDE,
  MOST_LENGTH,
  normalCode,
} from '../core/codes/index.ts';
import type { VouchedCodes } from '../core/receipt/index.ts';

export const MOST_CODES_IN_BATCH = 1_000_000;

/** A batch of single-use codes that is to be made. */
export interface CodeBatchRequest {
  count: number;
  pattern: CodePattern;
  /** The first and the last day on which they are good; null: as long as the promotion. */
  from: string | null;
  to: string | null;
  /** For the house, to try things with: they count nowhere. */
  test: boolean;
}

const day = Joi.string()
  .pattern(/^\d{4}-\d{2}-\d{2}$/, 'day such as 2027-03-01')
  .custom((text, helpers) => (parseLocalDate(text) === null ? helpers.error('any.invalid') : text))
  .allow(null)
  .required();
const beside = Joi.string()
  .allow('')
  .max(MOST_BESIDE)
  .pattern(BESIDE_DRAWN, 'letters from A to Z, digits and dashes')
  .required();

export const codeBatchRequest = Joi.object<CodeBatchRequest>({
  count: Joi.number().integer().min(1).max(MOST_CODES_IN_BATCH).required(),
  pattern: Joi.object<CodePattern>({
    length: Joi.number().integer().min(LEAST_LENGTH).max(MOST_LENGTH).required(),
    of: Joi.valid('letters', 'digits', 'both').required(),
    prefix: beside,
    suffix: beside,
    dashEvery: Joi.number().integer().min(1).max(MOST_LENGTH).allow(null).required(),
  }).required(),
  from: day,
  to: day,
  test: Joi.boolean().required(),
});

/** What is done with a batch, or with its list. */
export const BATCH_STEPS = ['withdraw', 'throw-list-away', 'move-end'] as const;
export interface BatchStepRequest {
  step: (typeof BATCH_STEPS)[number];
  /** The last day on which its codes are good from now on, where that is moved; null: as long as the promotion. */
  to?: string | null;
}
export const batchStepRequest = Joi.object<BatchStepRequest>({
  step: Joi.valid(...BATCH_STEPS).required(),
  to: Joi.when('step', { is: 'move-end', then: day, otherwise: Joi.forbidden() }),
});

const code = Joi.string().min(1).max(200);

/** One code, found or withdrawn. */
export const oneCodeRequest = Joi.object<{ code: string }>({ code: code.required() });

/** Codes that a till does not find in its price file. */
export const vouchRequest = Joi.object<{ codes: string[] }>({
  codes: Joi.array().items(code).min(1).max(100).required(),
});

/** What is said of a code of a batch; days as ISO 8601. */
export interface BatchCodeSaid {
  promotion: string;
  key: string;
  from: string | null;
  to: string | null;
  withdrawn: boolean;
  test: boolean;
}

export interface CodesVouched {
  /** By code as it was said; what nobody knows is not there. */
  codes: Record<string, BatchCodeSaid>;
  /** Milliseconds to wait, as too many wrong ones were tried; 0: it was looked. */
  wait: number;
}

/** As the core takes it. @param asked all that it was asked about. */
export function readVouched({ codes, wait }: CodesVouched, asked: readonly string[]): VouchedCodes {
  if (wait > 0) return new Map(asked.map((one) => [normalCode(one), 'slowed']));
  return new Map(
    Object.entries(codes).map(([said, { from, to, ...rest }]) => [
      normalCode(said),
      {
        ...rest,
        from: from === null ? null : parseLocalDate(from),
        to: to === null ? null : parseLocalDate(to),
      },
    ]),
  );
}
