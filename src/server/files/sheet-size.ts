import { Unzip, type UnzipFile, UnzipInflate, UnzipPassThrough } from 'fflate';
import { FILE_LIMITS } from './file-limits.ts';

/** References of rows and cells, r="12" and r="AB12"; the letters say the column. */
const REFERENCE = /\br=["']([A-Za-z]{0,4})(\d{1,10})["']/g;
/** A reference that a chunk cuts in two is whole in the next one with so much before it. */
const OVERLAP = 40;

/**
 * Why a packed sheet (XLSX, a ZIP of XML) is too large to be opened; null where it is not. It is unpacked piece by
 * piece and looked through without being built up: a file of a few bytes may say that its last cell lies a million
 * rows down, or unpack to more than there is memory.
 */
export function sheetSizeFault(bytes: Uint8Array): string | null {
  let fault: string | null = null;
  let unpacked = 0;
  let parts = 0;
  let cells = 0;
  const refuse = (what: string) => {
    fault ??= what;
  };
  const unzip = new Unzip((part: UnzipFile) => {
    parts += 1;
    if (parts > FILE_LIMITS.parts) return refuse(`it holds more than ${FILE_LIMITS.parts} parts`);
    const isSheet = /\.xml$/i.test(part.name) && /worksheets?\//i.test(part.name);
    let tail = '';
    part.ondata = (error, chunk) => {
      if (error) return refuse(`a part of it cannot be unpacked (${error.message})`);
      unpacked += chunk.length;
      if (unpacked > FILE_LIMITS.unpacked) {
        part.terminate();
        return refuse(`it unpacks to more than ${FILE_LIMITS.unpacked / 1_000_000} MB`);
      }
      if (!isSheet) return;
      const text = tail + Buffer.from(chunk).toString('latin1');
      for (const [, letters = '', digits = ''] of text.matchAll(REFERENCE)) {
        cells += 1;
        if (Number(digits) > FILE_LIMITS.rows) return refuse(`a cell stands in row ${Number(digits)}`);
        if (columnNumber(letters) > FILE_LIMITS.columns)
          return refuse(`a cell stands in column ${letters.toUpperCase()}`);
      }
      if (cells > FILE_LIMITS.cells) refuse(`it holds more than ${FILE_LIMITS.cells} cells`);
      tail = text.slice(-OVERLAP);
    };
    part.start();
  });
  unzip.register(UnzipInflate);
  unzip.register(UnzipPassThrough);
  try {
    for (let at = 0; at < bytes.length && fault === null; at += A_PIECE)
      unzip.push(bytes.subarray(at, at + A_PIECE), at + A_PIECE >= bytes.length);
  } catch (error) {
    return `it cannot be unpacked (${(error as Error).message})`;
  }
  return fault;
}

const A_PIECE = 65_536;

/** "A" is 1, "AA" is 27. */
const columnNumber = (letters: string): number =>
  [...letters.toUpperCase()].reduce((number, letter) => number * 26 + letter.charCodeAt(0) - 64, 0);
