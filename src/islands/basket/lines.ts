/** One line of a trial basket; the quantity as it was typed. */
export interface TrialLine {
  readonly sku: string;
  readonly quantity: string;
}

/** Lines out of an address: "Q100181*2,Q100119*0.5". What is none is passed over. */
export function linesOf(text: string): TrialLine[] {
  return text.split(',').flatMap((part) => {
    const match = /^(.+)\*(\d{1,4}(?:\.\d{1,3})?)$/.exec(part.trim());
    return match ? [{ sku: match[1]!, quantity: match[2]! }] : [];
  });
}

export const textOf = (lines: readonly TrialLine[]): string =>
  lines.map(({ sku, quantity }) => `${sku}*${quantity}`).join(',');

/** The lines with so many more of an item, in a line that is there or a new one. */
export function withMore(lines: readonly TrialLine[], sku: string, more: number): TrialLine[] {
  if (!lines.some((line) => line.sku === sku)) return [...lines, { sku, quantity: String(more) }];
  return lines.map((line) =>
    line.sku === sku
      ? { sku, quantity: String(Math.max(1, Math.floor(Number(line.quantity)) + more)) }
      : line,
  );
}
