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

const ANY = new RegExp(PARTS.join('|'));

/** Whether what was drawn of a code has something unfortunate in it. */
export const isUnfortunate = (drawn: string): boolean => ANY.test(drawn);
