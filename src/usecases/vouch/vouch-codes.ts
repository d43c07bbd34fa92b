import type { BatchCodeSaid, CodesVouched } from '../../contracts/index.ts';
import { batchCodeKey } from '../../core/receipt/index.ts';
import type { CodeSeal, CodeStore, KnownCode, TerminalName } from '../ports/index.ts';
import { brakeOf, TILL } from './tries.ts';

export interface VouchPorts {
  readonly codes: CodeStore;
  readonly codeSeal: CodeSeal;
}

/**
 * What codes are that no plan lists. Every one counts as a wrong one until it is found: at a place where too many were
 * tried nothing is told, of right ones neither, or who tries a thousand at once would learn which is right.
 * @param who tries, as {@link TILL} or {@link PERSON} and an id.
 */
export async function vouchCodes(
  { codes, codeSeal }: VouchPorts,
  who: string,
  said: readonly string[],
  now: number,
): Promise<CodesVouched> {
  if (said.length === 0) return { codes: {}, wait: 0 };
  const wait = await codes.countTries(who, said.length, brakeOf(who), new Date(now));
  if (wait > 0) return { codes: {}, wait };
  const hashes = new Map(said.map((code) => [code, codeSeal.hashOf(code)]));
  const known = await codes.known([...hashes.values()]);
  const found = [...hashes].flatMap(([code, hash]) => {
    const hex = Buffer.from(hash).toString('hex');
    const one = known.get(hex);
    return one ? [[code, saidOf(one, hex)] as const] : [];
  });
  if (found.length > 0) await codes.right(who, found.length, brakeOf(who));
  return { codes: Object.fromEntries(found), wait: 0 };
}

/** What codes are that a terminal does not find in its price file. */
export const vouchAtTill = (
  ports: VouchPorts,
  terminal: TerminalName,
  said: readonly string[],
  now: number,
): Promise<CodesVouched> => vouchCodes(ports, TILL + terminal.id, said, now);

const saidOf = ({ batch, withdrawn }: KnownCode, hash: string): BatchCodeSaid => ({
  promotion: batch.promotion,
  key: batchCodeKey(batch.id, hash),
  from: batch.fromDay,
  to: batch.toDay,
  withdrawn: withdrawn || batch.withdrawnAt !== null,
  test: batch.test,
});
