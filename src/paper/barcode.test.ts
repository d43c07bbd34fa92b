import {
  BarcodeFormat,
  BinaryBitmap,
  GlobalHistogramBinarizer,
  MultiFormatOneDReader,
  RGBLuminanceSource,
} from '@zxing/library';
import { expect, it } from 'vitest';
import { barcodeOf } from './barcode.ts';

/** Pixels of a module, and modules left free at each side. */
const MODULE = 4;
const QUIET = 12;

/** What a scanner reads off the bars. */
function readBack(widths: readonly number[]): [string, string] {
  const modules = [QUIET, ...widths, QUIET].flatMap((width, i) =>
    Array<number>(width).fill(i % 2 === 0 ? 255 : 0),
  );
  const row = modules.flatMap((shade) => Array<number>(MODULE).fill(shade));
  const rows = 40;
  const pixels = new Uint8ClampedArray(Array.from({ length: rows }, () => row).flat());
  const source = new RGBLuminanceSource(pixels, row.length, rows);
  const read = new MultiFormatOneDReader(new Map()).decode(
    new BinaryBitmap(new GlobalHistogramBinarizer(source)),
  );
  return [BarcodeFormat[read.getBarcodeFormat()]!, read.getText()];
}

it.each([
  ['2750000000019', 'EAN_13', '2 750000 000019'],
  ['96385074', 'EAN_8', '9638 5074'],
])('%s is read back off its bars', (gtin, format, digits) => {
  const code = barcodeOf(gtin)!;
  expect(code.digits).toBe(digits);
  expect(readBack(code.widths)).toEqual([format, gtin]);
});

it.each(['', '2750000000018', '12345', 'abcdefgh', '96385073'])('"%s" has no barcode', (gtin) => {
  expect(barcodeOf(gtin)).toBeNull();
});
