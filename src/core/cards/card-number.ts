/** A card's number as it is compared: digits and letters alone, however it was typed or read. */
export const normalCard = (text: string): string => text.toUpperCase().replace(/[^0-9A-Z]/g, '');

/** The check digit of a number by the Luhn formula (ISO/IEC 7812-1, annex B). @param digits all but the last one. */
export function cardCheckDigit(digits: string): number {
  let sum = 0;
  for (let i = 0; i < digits.length; i++) {
    const digit = Number(digits[digits.length - 1 - i]);
    const weighed = i % 2 === 0 ? digit * 2 : digit;
    sum += weighed > 9 ? weighed - 9 : weighed;
  }
  return (10 - (sum % 10)) % 10;
}

/** Whether a number of digits alone ends in its check digit: nobody mistyped one of them. */
export const hasCardCheckDigit = (number: string): boolean =>
  /^\d{2,19}$/.test(number) && cardCheckDigit(number.slice(0, -1)) === Number(number.at(-1));
