import type { NewestStatement, NewestVouched } from '../contracts/index.ts';
import { canonicalText } from './canonical-text.ts';
import { isTrusted, type Trust } from './trust.ts';

/** The text that vouches for the newest price file of a store at a moment, in answer to one question. */
export const newestText = (
  asked: { readonly store: string; readonly nonce: string },
  number: number | null,
  at: number,
): string =>
  canonicalText({
    ...{ format: 'bell-tag-newest', version: 1, number },
    ...asked,
    at: new Date(at).toISOString(),
  } satisfies NewestStatement);

/** What was vouched for, if a trusted key has signed it in answer to this question; null: nothing that counts. */
export function newestIn(
  trust: Trust,
  { store, nonce }: { readonly store: string; readonly nonce: string },
  { statement, ...by }: NewestVouched,
): { readonly number: number | null; readonly at: number } | null {
  if (!isTrusted(trust, statement, by)) return null;
  try {
    const said = JSON.parse(statement) as NewestStatement;
    const at = Date.parse(said.at);
    const sound = said.format === 'bell-tag-newest' && said.version === 1 && Number.isFinite(at);
    return sound && said.store === store && said.nonce === nonce ? { number: said.number, at } : null;
  } catch {
    return null;
  }
}
