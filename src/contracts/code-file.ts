import Joi from 'joi';
import { parseLocalDate } from '../core/calendar/index.ts';
import { normalCode } from '../core/codes/index.ts';
import { type BatchCode, codeKey, type VouchedCodes } from '../core/receipt/index.ts';
import { type Shaped, shape } from './shape.ts';

export const CODE_FILE = { format: 'bell-tag-codes', version: 1 } as const;

/** Batches of single-use codes beside a plan, by hashes: it says which codes are good to who has them, and to nobody else. */
export interface CodeFileDocument {
  format: 'bell-tag-codes';
  version: 1;
  /** What the hashes are made with, base64url of 32 bytes; each file has its own. */
  key: string;
  batches: CodeFileBatch[];
}

export interface CodeFileBatch {
  promotion: string;
  /** The first and the last day on which its codes are good, by the calendar of the store. */
  from?: string;
  to?: string;
  /** For the house, to try things with. */
  test?: true;
  /** The first 16 bytes of HMAC-SHA-256 over each code as it is compared, as hexadecimal digits. */
  codes: string[];
  /** Those of them that were withdrawn. */
  withdrawn?: string[];
}

const day = Joi.string().pattern(/^\d{4}-\d{2}-\d{2}$/, 'day such as 2027-03-01');
const hashes = Joi.array().items(Joi.string().pattern(/^[0-9a-f]{32}$/, '32 hexadecimal digits'));
const codeFileSchema = Joi.object<CodeFileDocument>({
  format: Joi.valid(CODE_FILE.format).required(),
  version: Joi.valid(CODE_FILE.version).required(),
  key: Joi.string()
    .pattern(/^[\w-]{43}$/, 'base64url of 32 bytes')
    .required(),
  batches: Joi.array()
    .items(
      Joi.object<CodeFileBatch>({
        promotion: Joi.string().min(1).max(200).required(),
        ...{ from: day, to: day, test: Joi.valid(true), codes: hashes.required(), withdrawn: hashes },
      }),
    )
    .required(),
});

export const readCodeFile = (raw: unknown): Shaped<CodeFileDocument> => shape(codeFileSchema, raw);

/** Says what codes of baskets are, from a file of batches; a code's one use is counted as `code:CODE`. */
export function codesOfFile(
  { batches }: CodeFileDocument,
  hashOf: (code: string) => string,
): (codes: readonly string[]) => VouchedCodes {
  const known = new Map<string, Omit<BatchCode, 'key'>>();
  for (const { promotion, from, to, test = false, codes, withdrawn = [] } of batches) {
    const days = { from: from ? parseLocalDate(from) : null, to: to ? parseLocalDate(to) : null };
    const gone = new Set(withdrawn);
    for (const hash of codes) known.set(hash, { promotion, ...days, test, withdrawn: gone.has(hash) });
  }
  return (codes) =>
    new Map(
      codes.flatMap((code) => {
        const found = known.get(hashOf(code));
        return found ? [[normalCode(code), { ...found, key: codeKey(code) }] as const] : [];
      }),
    );
}
