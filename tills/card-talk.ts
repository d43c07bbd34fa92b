import type { CardVouched } from '../src/contracts/index.ts';
import type { BoundedReply } from './bounded-fetch.ts';

type Ask = (what: string, most: number | undefined, init: RequestInit) => Promise<BoundedReply>;

/** Whose card somebody holds out, as the server says; null where nobody can be asked. */
export type CardTalk = (card: string) => Promise<CardVouched | null>;

/**
 * @param ask asks the server under the till's key; throws where nobody answers.
 * @param canTalk whether it talks with the server at all.
 */
export function cardTalk(ask: Ask, canTalk: () => boolean): CardTalk {
  return async (card) => {
    if (!canTalk()) return null;
    const sent = { method: 'POST', body: JSON.stringify({ card }) };
    const reply = await ask('card', undefined, sent).catch(() => null);
    return reply?.status === 200 ? (JSON.parse(new TextDecoder().decode(reply.bytes)) as CardVouched) : null;
  };
}
