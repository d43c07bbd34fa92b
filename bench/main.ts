import { benchBook } from './book.ts';
import { benchImport } from './import.ts';
import { benchPageWeight } from './page-weight.ts';
import { benchSearch } from './search.ts';
import { benchWorksheet } from './worksheet.ts';

const { DATABASE_URL, BELLTAG_ORIGIN } = process.env;
// The search comes last: it puts a larger chain in the place of the demo.
const parts = [
  () => benchBook(DATABASE_URL!),
  () => benchPageWeight(BELLTAG_ORIGIN!),
  () => benchWorksheet(),
  () => benchImport(DATABASE_URL!),
  () => benchSearch(BELLTAG_ORIGIN!),
];
for (const part of parts) process.stdout.write(`${(await part()).join('\n')}\n\n`);
