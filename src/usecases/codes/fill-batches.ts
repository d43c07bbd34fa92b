import { codeDrawer } from '../../core/codes/index.ts';
import type { CodeBatch, CodeSeal, CodeStore, FreshCode } from '../ports/index.ts';

/** Made and written at once: what a server that dies has to make again, and how often a page hears how far it is. */
const AT_ONCE = 20_000;

/** Makes the next codes that somebody asked for. @returns whether there may be more to make. */
export async function fillCodeBatches({
  codes,
  codeSeal,
}: {
  codes: CodeStore;
  codeSeal: CodeSeal;
}): Promise<boolean> {
  return codes.fill(AT_ONCE, (batch, count) => drawn(batch, count, codeSeal), codeSeal.seal);
}

/** Each once; those that were made before are found by the store. */
function drawn({ pattern }: CodeBatch, count: number, { hashOf, pick }: CodeSeal): FreshCode[] {
  const codes = new Set<string>();
  const draw = codeDrawer(pattern, pick);
  while (codes.size < count) codes.add(draw());
  return [...codes].map((code) => ({ code, hash: hashOf(code) }));
}
