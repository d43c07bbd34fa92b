/** Spaces, and dashes of any length. */
const BETWEEN = /[\s\p{Dash_Punctuation}]/gu;

/**
 * A code as it is compared: upper and lower case, spaces and dashes make no difference to who types one, nor does a wide
 * letter of another keyboard. One of nothing else stands for itself.
 */
export function normalCode(text: string): string {
  const normal = text.normalize('NFKC').toUpperCase().replace(BETWEEN, '');
  return normal === '' ? text : normal;
}
