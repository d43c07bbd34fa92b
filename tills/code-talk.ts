import { type CodesVouched, readVouched } from '../src/contracts/index.ts';
import { normalCode } from '../src/core/codes/index.ts';
import { NONE_VOUCHED, type VouchedCodes } from '../src/core/receipt/index.ts';
import type { BoundedReply } from './bounded-fetch.ts';

type Ask = (what: string, most: number | undefined, init: RequestInit) => Promise<BoundedReply>;

/** What codes are that the price file does not list, as the server says; unchecked where nobody can be asked. */
export type CodeTalk = (codes: readonly string[]) => Promise<VouchedCodes>;

/**
 * @param ask asks the server under the till's key; throws where nobody answers.
 * @param canTalk whether it talks with the server at all.
 */
export function codeTalk(ask: Ask, canTalk: () => boolean): CodeTalk {
  return async (codes) => {
    if (codes.length === 0) return NONE_VOUCHED;
    try {
      if (!canTalk()) throw new Error('it talks with nobody');
      const reply = await ask('codes', undefined, { method: 'POST', body: JSON.stringify({ codes }) });
      if (reply.status !== 200) throw new Error(`the server answered ${reply.status}`);
      return readVouched(JSON.parse(new TextDecoder().decode(reply.bytes)) as CodesVouched, codes);
    } catch {
      return new Map(codes.map((code) => [normalCode(code), 'unchecked']));
    }
  };
}
