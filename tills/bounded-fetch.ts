/** A talk with the server that ends: by itself, after so long, or after so many bytes, as they come out unpacked. */
export interface FetchLimits {
  readonly within: number;
  readonly most: number;
}

export interface BoundedReply {
  readonly status: number;
  readonly bytes: Uint8Array;
}

/** @throws where nothing came within the time, or more than is taken. */
export async function boundedFetch(
  url: string,
  init: RequestInit,
  { within, most }: FetchLimits,
): Promise<BoundedReply> {
  const reply = await fetch(url, { ...init, redirect: 'error', signal: AbortSignal.timeout(within) });
  const chunks: Uint8Array[] = [];
  let length = 0;
  if (reply.body)
    for await (const chunk of reply.body as unknown as AsyncIterable<Uint8Array>) {
      length += chunk.length;
      if (length > most) throw new Error(`the answer is larger than ${Math.round(most / 1_000_000)} MB`);
      chunks.push(chunk);
    }
  return { status: reply.status, bytes: Buffer.concat(chunks) };
}
