import type { DealPreview } from '../../contracts/view/index.ts';
import type { ReceiptDocument } from '../../core/receipt/index.ts';
import { saidAmount } from '../../ui/writing/index.ts';
import { PrintedReceipt, type TrialLine, withMore } from '../basket/index.ts';
import { ItemSearch } from '../check/index.ts';

/** A receipt that follows the writing: the deal and everything else that runs then. */
export function DealTrial({
  preview: { trial },
  id,
  onTry,
}: {
  preview: DealPreview;
  /** Of the deal, as the receipt names it. */
  id: string;
  onTry: (lines: readonly TrialLine[]) => void;
}) {
  if (!trial) return null;
  const { lines, basket, without } = trial;
  const put = (at: number, quantity: string) =>
    onTry(lines.map((line, i) => (i === at ? { ...line, quantity } : line)));
  return (
    <section className="mt-6">
      <h3 className="font-serif text-lg">A trial receipt</h3>
      <p className="quiet text-sm">
        With everything else that runs then. {changeWords(basket.receipt, without, id)}
      </p>
      <div className="mt-2 flex flex-wrap items-center gap-x-4 gap-y-1 text-sm">
        {lines.map(({ sku, quantity }, i) => (
          <label key={sku} className="flex items-center gap-1.5">
            <input
              className="input input-xs w-14"
              inputMode="decimal"
              defaultValue={quantity}
              key={quantity}
              onChange={(event) => {
                const text = event.target.value.trim();
                if (/^[1-9]\d{0,3}$/.test(text)) put(i, text);
              }}
            />
            {basket.items[sku] ?? sku}
          </label>
        ))}
      </div>
      <div className="mt-2">
        <ItemSearch onPick={(sku) => onTry(withMore(lines, sku, 1))} startOpen={false} />
      </div>
      <div className="mt-3">
        <PrintedReceipt trial={basket} />
      </div>
    </section>
  );
}

function changeWords(
  { total, applications, rewards, lines }: ReceiptDocument,
  without: string,
  id: string,
): string {
  if (total !== without) return `Without this deal it would be ${saidAmount(without)}.`;
  const gives = lines.some(
    ({ gift, reductions }) => gift && reductions.some(({ promotion }) => promotion === id),
  );
  if (gives) return 'This deal leaves what is to pay as it is, and gives something beside.';
  const applied = [...applications, ...rewards].some(({ promotion }) => promotion === id);
  return applied ? 'Without this deal others would save as much.' : 'This deal is not applied in it.';
}
