const OURS = 'http://belltag.invalid';

/**
 * A path of our own out of something that an address brings along; null where it is none, so that no link leads
 * elsewhere after signing in. What browsers leave out (tabs, line ends) or take for a slash is no path.
 */
export function ownPath(text: string | null): string | null {
  if (text === null || !/^\/[\x21-\x7e]*$/.test(text) || text.includes('\\')) return null;
  try {
    const url = new URL(text, OURS);
    const path = url.pathname + url.search + url.hash;
    // "/..//elsewhere" is "//elsewhere" once its points are worked out.
    return url.origin === OURS && !path.startsWith('//') ? path : null;
  } catch {
    return null;
  }
}
