/**
 * What a spreadsheet takes for the beginning of a formula in a CSV cell, wide forms among them; and the mark itself, so
 * that what stood in a name before is told from what was put there.
 */
const BEGINS = /^['=+\-@\t\r\n＝＋－＠]/;
const NUMBER = /^[-+]?\d[\d.,]*$/;
const MARK = "'";

/** A cell that no spreadsheet calculates with; a number stays one. */
export const guardFormula = (text: string): string =>
  BEGINS.test(text) && !NUMBER.test(text) ? MARK + text : text;

/** As it was before it was guarded. */
export const unguardFormula = (text: string): string =>
  text.startsWith(MARK) && BEGINS.test(text.slice(1)) ? text.slice(1) : text;
