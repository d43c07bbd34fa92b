import { type Asker, asker, ms } from './asker.ts';

/** Baskets that are hard to work out, and an easy one of somebody else, and one's own, behind them. */
export async function ringHardBaskets(origin: string): Promise<string[]> {
  const viewer = await asker(origin, 'odile');
  const other = await asker(origin, 'rufus');
  const skus: string[] = [];
  for (const offset of [0, 500]) {
    const page = await viewer.ask(`/api/stockroom/items?limit=500&offset=${offset}&carried=1&store=s001`);
    skus.push(...(JSON.parse(page.text).rows as { key: string }[]).map(({ key }) => key));
  }
  const ring = (person: Asker, count: number, quantity: number, from = 0) =>
    person.send('POST', '/api/basket', {
      store: 's001',
      at: '2026-12-05T10:00',
      lines: skus.slice(from, from + count).map((sku) => ({ sku, quantity })),
    });
  const sizes: [number, number][] = [
    [200, 3],
    [1_000, 1],
    [1_000, 3],
    [1_000, 10],
  ];
  const told = ['hard baskets:'];
  for (const [count, quantity] of sizes) {
    const { status, took, text } = await ring(viewer, count, quantity);
    const proved = status === 200 ? `proved ${JSON.parse(text).receipt.proved}` : text.slice(0, 80);
    told.push(`  ${count} lines of ${quantity}: ${status} after ${ms(took)}, ${proved}`);
  }
  const ten = Array.from({ length: 10 }, (_, i) => ring(viewer, 200, 3, i * 20));
  await new Promise((resolve) => setTimeout(resolve, 100));
  const [theirs, own] = await Promise.all([ring(other, 5, 1), ring(viewer, 5, 1)]);
  const all = await Promise.all(ten);
  told.push(
    `  behind ten of 200 lines of one person: an easy one of another ${ms(theirs.took)}, one of their own ${ms(own.took)}; the ten ${ms(Math.max(...all.map(({ took }) => took)))}`,
  );
  return told;
}
