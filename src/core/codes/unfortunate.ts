/**
 * What nobody wants to read on a coupon, as far as it comes about of the signs that are drawn: words shortened to their consonants, and
 * letters and figures that stand for a hatred or for something lewd.
 */
const PARTS = [
  ...[
    'FCK',
    'FKC',
    'FKN',
    'PHCK',
    'DCK',
    'DYK',
    'CNT',
    'KNT',
    'CRP',
    'JRK',
    'KKK',
    'NGR',
    'NGG',
    'FGT',
    'FGG',
  ],
  ...['TRD', 'TWT', 'WTF', 'KYK', 'GYP', 'MFK', 'XXX', 'PRN', 'WNK', 'WHR', 'CCK', 'KYM', 'PTN', 'HRNY'],
  ...['HH', 'HJ', 'GK', 'NW', '88', '666', '69'],
] as const;

/** Whether a code as it is compared has something unfortunate in what was drawn. */
export const isUnfortunate = (drawn: string): boolean => PARTS.some((part) => drawn.includes(part));
