/** What is known of the goods where a basket is rung; items by their number in the catalogue. */
export interface Goods {
  skuOf(item: number): string;
  /** The parent of a variant, else the item itself: what a family is counted by. */
  familyOf(item: number): string;
  /** The tag price of a gift at the store; null: not carried there, or no price. */
  giftWorth(sku: string): number | null;
}
