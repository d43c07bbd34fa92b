import { createHmac } from 'node:crypto';
import { codesOfFile, readCodeFile } from '../../src/contracts/index.ts';
import { normalCode } from '../../src/core/codes/index.ts';
import type { CompiledPlan } from '../../src/core/price-book/index.ts';
import { codesToVouch, NONE_VOUCHED, type VouchedCodes } from '../../src/core/receipt/index.ts';
import { Refused } from './arguments.ts';
import { readJson } from './plan-file.ts';

/** What codes are that the plan does not list. */
export type Voucher = (codes: readonly string[]) => VouchedCodes;

/** Reads a file of batches, which says what codes are without saying any. @param path absent: no code is of a batch. */
export function voucherOf(path: string | undefined, { plan }: CompiledPlan): Voucher {
  if (path === undefined) return () => NONE_VOUCHED;
  const read = readCodeFile(readJson(path, 'a file of batches of codes'));
  if (!read.ok) throw new Refused(read.faults);
  const key = Buffer.from(read.value.key, 'base64url');
  const vouch = codesOfFile(read.value, (code) =>
    createHmac('sha256', key).update(normalCode(code)).digest('hex').slice(0, 32),
  );
  return (codes) => vouch(codesToVouch(plan.promotions, codes));
}
