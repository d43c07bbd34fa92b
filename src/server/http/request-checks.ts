const READS = ['GET', 'HEAD', 'OPTIONS'];

/** Whether an address can be read: no half of an escape, no control character hidden in one, no endless text. */
export function isSoundPath(path: string): boolean {
  if (path.length > 4_000) return false;
  try {
    const text = decodeURIComponent(path);
    // biome-ignore lint/suspicious/noControlCharactersInRegex: control characters are what is looked for.
    return !/[\u0000-\u001f\u007f]/.test(text) && text.isWellFormed();
  } catch {
    return false;
  }
}

/**
 * Whether a request that changes something was begun by a page of another site: browsers say so themselves. Programs
 * that are no browsers say neither, and bring no cookie that they were not given.
 */
export function comesFromElsewhere(request: Request, ours: string): boolean {
  if (READS.includes(request.method)) return false;
  const origin = request.headers.get('origin');
  if (origin !== null) return origin !== ours && hostOf(origin) !== request.headers.get('host');
  const site = request.headers.get('sec-fetch-site');
  return site !== null && site !== 'same-origin' && site !== 'none';
}

function hostOf(origin: string): string | null {
  try {
    return new URL(origin).host;
  } catch {
    return null;
  }
}
