import type { HeldUses } from '../src/contracts/index.ts';
import type { BoundedReply } from './bounded-fetch.ts';
import type { UseTalk } from './counted-uses.ts';

type Ask = (what: string, most: number | undefined, init: RequestInit) => Promise<BoundedReply>;

/**
 * Uses, asked for and told over the wire.
 * @param ask asks the server under the till's key; throws where nobody answers.
 * @param canTalk whether it talks with the server at all.
 */
export function usesTalk(ask: Ask, canTalk: () => boolean): UseTalk {
  async function said(basket: string, method: string, body?: object): Promise<BoundedReply> {
    if (!canTalk()) throw new Error('it talks with nobody');
    const sent = body === undefined ? {} : { body: JSON.stringify(body) };
    return ask(`uses/${basket}`, undefined, { method, ...sent });
  }
  return {
    async hold(basket, uses) {
      const reply = await said(basket, 'PUT', { uses });
      if (reply.status !== 200) throw new Error(`the server answered ${reply.status}`);
      return JSON.parse(new TextDecoder().decode(reply.bytes)) as HeldUses;
    },
    async take({ basket, uses, at, shopper }) {
      const reply = await said(basket, 'POST', { uses, at, ...(shopper ? { shopper } : {}) });
      // What it cannot read it will not read tomorrow either: the rest must not wait behind it.
      if (reply.status !== 200 && reply.status !== 422)
        throw new Error(`the server answered ${reply.status}`);
    },
    async giveBack(basket) {
      await said(basket, 'DELETE');
    },
  };
}
