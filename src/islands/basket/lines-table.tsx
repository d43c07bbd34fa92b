import { X } from 'lucide-react';
import type { TrialBasket } from '../../contracts/view/index.ts';
import { saidAmount } from '../../ui/writing/index.ts';
import type { TrialLine } from './lines.ts';

/** "9.00"; where a limit in units gives one price to some of them, "5 × 9.00, 2 × 10.00". */
const tagWords = (lines: TrialBasket['receipt']['lines']): string =>
  lines.length > 1
    ? lines.map(({ quantity, tag }) => `${saidAmount(String(quantity))} × ${saidAmount(tag)}`).join(', ')
    : (lines[0]?.tag ?? '');

/** The goods in the basket, with their tags and quantities. */
export function LinesTable({
  lines,
  rung,
  onLines,
}: {
  lines: readonly TrialLine[];
  rung: TrialBasket | undefined;
  onLines: (lines: readonly TrialLine[]) => void;
}) {
  return (
    <table className="rows mt-4">
      <caption className="sr-only">Goods in the basket</caption>
      <thead>
        <tr>
          <th>Item</th>
          <th className="figure">Tag</th>
          <th>Quantity</th>
          <th>
            <span className="sr-only">Take out</span>
          </th>
        </tr>
      </thead>
      <tbody>
        {lines.map(({ sku, quantity }, i) => {
          const told = rung?.receipt.lines.filter((one, at) => rung.of[at] === i && one.sku === sku) ?? [];
          const name = rung?.items[sku] ?? sku;
          return (
            <tr key={sku}>
              <td>{name}</td>
              <td className="figure">{tagWords(told)}</td>
              <td>
                <input
                  className="input input-sm w-20"
                  inputMode="decimal"
                  aria-label={`Quantity of ${name}`}
                  value={quantity}
                  onChange={(event) => {
                    const typed = event.target.value.replace(',', '.');
                    onLines(lines.map((one, at) => (at === i ? { ...one, quantity: typed } : one)));
                  }}
                />
              </td>
              <td>
                <button
                  type="button"
                  className="btn btn-ghost btn-sm px-1"
                  onClick={() => onLines(lines.filter((_, at) => at !== i))}
                >
                  <X size={15} aria-label={`Take out ${name}`} />
                </button>
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
