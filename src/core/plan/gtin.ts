/** Whether the text is a GTIN-8, -12, -13 or -14 with the right check digit (GS1 General Specifications 7.9). */
export function hasValidCheckDigit(text: string): boolean {
  return /^(\d{8}|\d{12,14})$/.test(text) && checkDigit(text.slice(0, -1)) === Number(text.at(-1));
}

/** The check digit for the digits before it: weights 3 and 1 from the right, filled up to the next ten. */
export function checkDigit(digits: string): number {
  const sum = [...digits]
    .reverse()
    .reduce((total, digit, i) => total + Number(digit) * (i % 2 === 0 ? 3 : 1), 0);
  return (10 - (sum % 10)) % 10;
}
