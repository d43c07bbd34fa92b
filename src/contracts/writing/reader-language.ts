/** Language, script and country; whatever else a tag says does not change how dates and numbers are written here. */
const TAG = /^([a-z]{2,3})(-[a-z]{4})?(-(?:[a-z]{2}|\d{3}))?$/i;

/**
 * The language that a reader asks for first and that this machine can write in.
 * @param header `Accept-Language` (RFC 9110, 12.5.4)
 * @returns a BCP 47 tag, one of the some hundred that this machine tells apart; "en" where none is asked for, or none that is known.
 */
export function readerLanguage(header: string | null): string {
  const asked = (header ?? '')
    .slice(0, 500)
    .split(',')
    .map((one, i) => {
      const [tag = '', ...rest] = one.trim().split(';');
      const weight = rest.map((part) => /^\s*q=([01](?:\.\d{1,3})?)\s*$/.exec(part)?.[1]).find(Boolean);
      return { tag: tag.trim(), weight: Number(weight ?? 1), i };
    })
    .filter(({ tag, weight }) => TAG.test(tag) && weight > 0)
    .sort((a, b) => b.weight - a.weight || a.i - b.i);
  for (const { tag } of asked) {
    const [known] = Intl.DateTimeFormat.supportedLocalesOf(tag);
    // Resolved, as "de" of a country it does not know is one of endlessly many tags that are written alike.
    if (known) return new Intl.DateTimeFormat(known).resolvedOptions().locale;
  }
  return 'en';
}
