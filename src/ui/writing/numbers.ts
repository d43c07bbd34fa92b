import * as written from '../../core/writing/index.ts';
import { writing } from './reader.ts';

/** "4,000" */
export const saidCount = (count: number): string => written.countWords(count, writing());
/** "1,234.50" of the amount "1234.50" */
export const saidAmount = (amount: string): string => written.decimalWords(amount, writing());
/** "12.5 %" of 1250 basis points, always with one decimal. */
export const saidPercent = (basisPoints: number): string => written.percentWords(basisPoints, writing(), 1);
/** "× 1.45" of 145 hundredths */
export const saidTimes = (hundredths: number): string =>
  `× ${written.decimalWords((hundredths / 100).toFixed(2), writing())}`;
