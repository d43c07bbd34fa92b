import { benchBook } from './book.ts';
import { benchPageWeight } from './page-weight.ts';

const lines = [
  ...(await benchBook(process.env.DATABASE_URL!)),
  '',
  ...(await benchPageWeight(process.env.BELLTAG_ORIGIN!)),
];
process.stdout.write(`${lines.join('\n')}\n`);
