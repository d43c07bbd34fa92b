/** The pictures that the text of a price file names, each once; looked for in the text, as it is large. */
export const picturesIn = (content: string): ReadonlySet<string> =>
  new Set([...content.matchAll(/"picture":"([0-9a-f]{64})"/g)].map(([, id]) => id!));
