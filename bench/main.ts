import { benchBasket } from './basket.ts';
import { benchBook } from './book.ts';
import { benchCodes } from './codes.ts';
import { benchImport } from './import.ts';
import { benchLargeBook } from './large-book.ts';
import { benchLoopholes } from './loopholes.ts';
import { benchOverlaps } from './overlaps.ts';
import { benchSearch } from './search.ts';
import { benchWorksheet } from './worksheet.ts';

const { DATABASE_URL, BELLTAG_ORIGIN } = process.env;
// Which of them need the application, and in which order they come, says bin/bench.mjs.
const PARTS = {
  book: () => benchBook(DATABASE_URL!),
  large: () => benchLargeBook(),
  loopholes: () => benchLoopholes(),
  overlaps: () => benchOverlaps(),
  worksheet: () => benchWorksheet(),
  basket: () => benchBasket(),
  codes: () => benchCodes(DATABASE_URL!),
  import: () => benchImport(DATABASE_URL!),
  search: () => benchSearch(BELLTAG_ORIGIN!),
};
const asked = process.argv.slice(2);
for (const [name, part] of Object.entries(PARTS)) {
  if (asked.length > 0 && !asked.includes(name)) continue;
  process.stdout.write(`${(await part()).join('\n')}\n\n`);
}
