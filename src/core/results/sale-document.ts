import type { BasketDocument, ReceiptDocument } from '../receipt/index.ts';

/** A receipt that was closed at a till, as the open format has it: one line of a sales file (JSON Lines). */
export interface SaleDocument {
  /** No two sales have the same one; a sale that comes twice counts once. */
  sale: string;
  terminal: string;
  store: string;
  /** Wall clock at the store. */
  at: string;
  /** The number of the price file that the till held. */
  priceFile: number;
  basket: BasketDocument;
  receipt: ReceiptDocument;
}
