import type { DealPreview } from '../../../contracts/view/index.ts';
import { PrintedReceipt, type TrialLine, withMore } from '../../basket/index.ts';
import { ItemSearch } from '../../check/index.ts';

/** A receipt that follows the writing: the deal and everything else that runs then. */
export function DealTrial({
  preview: { trial },
  onTry,
}: {
  preview: DealPreview;
  onTry: (lines: readonly TrialLine[]) => void;
}) {
  if (!trial) return null;
  const { lines, basket, without } = trial;
  const { total } = basket.receipt;
  const put = (at: number, quantity: string) =>
    onTry(lines.map((line, i) => (i === at ? { ...line, quantity } : line)));
  return (
    <section className="mt-6">
      <h3 className="font-serif text-lg">A trial receipt</h3>
      <p className="quiet text-sm">
        With everything else that runs then.{' '}
        {total === without ? 'This deal changes nothing in it.' : `Without this deal it would be ${without}.`}
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
