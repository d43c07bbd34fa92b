/** Names that stand beside ids in some address of ours: an id of such a name is written in another way. */
const BESIDE = [
  ...['many', 'new', 'begin', 'calendar', 'preview', 'preview-deal', 'touching', 'worksheet'],
  ...['index', 'file', 'items', 'reprice', 'files'],
];
const PLAIN = /^[A-Za-z0-9_](?:[A-Za-z0-9_.-]{0,198}[A-Za-z0-9_-])?$/;
const MARK = '~';

/**
 * An id as one part of an address: as it is where it is plain, else "~" and its UTF-8 in base64url (RFC 4648, 5). No
 * browser, proxy or router makes anything else of either, and every id has exactly one form.
 */
export const idInAddress = (id: string): string =>
  PLAIN.test(id) && !BESIDE.includes(id) ? id : MARK + base64url(new TextEncoder().encode(id));

/** The id that a part of an address stands for. */
export function idOfAddress(text: string): string {
  if (!text.startsWith(MARK)) return text;
  try {
    const bytes = Uint8Array.from(atob(text.slice(1).replaceAll('-', '+').replaceAll('_', '/')), (one) =>
      one.charCodeAt(0),
    );
    const id = new TextDecoder('utf-8', { fatal: true }).decode(bytes);
    return id !== '' && idInAddress(id) === text ? id : text;
  } catch {
    return text;
  }
}

/** Whether an id cannot be told from a page or an action of ours by who writes addresses by hand. */
export const isReservedId = (id: string): boolean => BESIDE.includes(id) || /^\.{1,2}$/.test(id);

/** The number that a part of an address stands for; null where it is none that anything is counted by. */
export const numberOfAddress = (text: string): number | null =>
  /^[1-9]\d{0,8}$/.test(text) ? Number(text) : null;

function base64url(bytes: Uint8Array): string {
  const text = btoa(String.fromCharCode(...bytes));
  return text.replaceAll('+', '-').replaceAll('/', '_').replaceAll('=', '');
}

/**
 * A path in which every escaped part is written in our one way: what others escape with "%" has several readings
 * (a slash, a "%" of its own), and routers choose among them. What cannot be read stays, and is nobody's address.
 */
export const pathInOneWay = (path: string): string =>
  path.includes('%') ? path.split('/').map(partInOneWay).join('/') : path;

function partInOneWay(part: string): string {
  if (!part.includes('%')) return part;
  try {
    const id = decodeURIComponent(part);
    // biome-ignore lint/suspicious/noControlCharactersInRegex: control characters are what is looked for.
    return /[\u0000-\u001f\u007f]/.test(id) ? part : idInAddress(id);
  } catch {
    return part;
  }
}
