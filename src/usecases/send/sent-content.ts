import { gunzipSync } from 'node:zlib';
import type { PriceFileEnvelope } from '../../contracts/index.ts';
import type { PriceFileContent } from '../../core/price-file/index.ts';
import type { SendingStore } from '../ports/index.ts';

/** What a price file that went out says; null: there is no such file. */
export async function sentContent(
  sending: SendingStore,
  store: string,
  number: number,
): Promise<PriceFileContent | null> {
  const text = await sentText(sending, store, number);
  return text === null ? null : (JSON.parse(text) as PriceFileContent);
}

/** Its very text. */
export async function sentText(sending: SendingStore, store: string, number: number): Promise<string | null> {
  const packed = await sending.envelope(store, number);
  return packed ? (JSON.parse(gunzipSync(packed).toString('utf8')) as PriceFileEnvelope).content : null;
}
