import { Refused, refusalIn, saveFile } from '../server/index.ts';

/**
 * Takes the list of a batch as a file, which the browser saves.
 * @param byHashes a file beside the plan, which tells no code.
 * @returns what was done.
 */
export async function takeList(batch: number, byHashes: boolean): Promise<string> {
  const reply = await fetch(`/api/codes/${batch}/list${byHashes ? '?by=hashes' : ''}`, { method: 'POST' });
  if (!reply.ok) throw new Refused(refusalIn(reply.status, await reply.json().catch(() => null)));
  saveFile(await reply.blob(), `codes-${batch}.${byHashes ? 'json' : 'csv'}`);
  return `The list of batch ${batch} is taken, and the trail says by whom.`;
}
