/** "Sun care weekend" is "sun-care-weekend": readable in an address and in a price file; empty where no letter is left. */
export const idOfName = (name: string): string =>
  name
    .normalize('NFD')
    .replace(/\p{Mark}/gu, '')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .slice(0, 40)
    .replace(/^-|-$/g, '');
