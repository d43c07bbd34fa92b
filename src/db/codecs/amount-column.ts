import {
  type Currency,
  currencyOf,
  formatAmount,
  type MinorUnits,
  parseAmount,
} from '../../core/money/index.ts';

/** Amounts between the document's text and the database's minor units, for one currency. */
export interface AmountColumn {
  toColumn(text: string): number;
  toText(amount: number): string;
}

export function amountColumn(code: string): AmountColumn {
  const currency = currencyOf(code) as Currency;
  return {
    toColumn: (text) => parseAmount(text, currency) as number,
    toText: (amount) => formatAmount(amount as MinorUnits, currency),
  };
}
