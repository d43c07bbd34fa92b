import type { DealPreview } from '../../contracts/view/index.ts';
import type { QuantityBreakDocument } from '../../core/plan/index.ts';
import { saidAmount } from '../../ui/writing/index.ts';

/** The tiers of a quantity break as the shopper reads them on the shelf. */
export function TierCard({
  offer,
  preview: { steps, names },
}: {
  offer: QuantityBreakDocument;
  preview: DealPreview;
}) {
  if (steps.length === 0) return null;
  const rows = steps.map(({ lines, split, after }) => ({
    from: lines[0]!.quantity,
    each: split
      ? split.map(({ paid }) => paid).sort((a, b) => Number(a) - Number(b))[0]!
      : `${saidAmount(after)} in all`,
  }));
  const upTo = (i: number) => (rows[i + 1] ? rows[i + 1]!.from - 1 : null);
  const sku = steps[0]!.lines[0]!.sku;
  return (
    <table className="mt-4 w-full max-w-sm border-base-content border-y-2 tabular-nums">
      <caption className="quiet pb-1 text-left text-sm">
        On the shelf it reads, for {names[sku] ?? sku}
        {offer.beyond ? '; units before a tier keep their price' : ''}
      </caption>
      <tbody>
        {rows.map(({ from, each }, i) => (
          <tr key={from} className="hairline border-b last:border-0">
            <th scope="row" className="py-1 text-left font-normal">
              {countWords(from, upTo(i))}
            </th>
            <td className="py-1 text-right font-serif text-lg">{saidAmount(each)} each</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function countWords(from: number, to: number | null): string {
  if (to === null) return `${from} or more`;
  return from === to ? String(from) : `${from} to ${to}`;
}
