/** What of a receipt names promotions; one in the open format does as well. */
interface NamingReceipt {
  readonly lines: readonly {
    readonly priceChange?: string | null;
    readonly onTop?: readonly string[];
    readonly reductions: readonly { readonly promotion: string }[];
  }[];
  readonly applications: readonly { readonly promotion: string }[];
  readonly rewards: readonly { readonly promotion: string }[];
}

/** Every promotion that a receipt names for its goods; what is done for the way home is not among it. */
export function promotionsOnGoods({ lines, applications, rewards }: NamingReceipt): Set<string> {
  const named = new Set<string>();
  for (const { priceChange, onTop = [], reductions } of lines) {
    if (priceChange) named.add(priceChange);
    for (const id of onTop) named.add(id);
    for (const { promotion } of reductions) named.add(promotion);
  }
  for (const { promotion } of [...applications, ...rewards]) named.add(promotion);
  return named;
}
