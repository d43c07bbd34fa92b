import type { GridCellView, GridPriceView } from '../../contracts/view/index.ts';
import { PriceTag } from '../../ui/pieces/index.ts';
import { saidAmount } from '../../ui/writing/index.ts';
import type { DrawnColumn } from './columns.ts';
import { isChanged, pricesSeen } from './prices-seen.ts';

/**
 * A price of the grid; one that is another on the side that it is held against shows which way, and what it was. Of
 * stores that stand together some may not sell it, and some have a price of their own.
 */
export function GridCell({ cell, column }: { cell: GridCellView; column: DrawnColumn }) {
  const [first, ...others] = pricesSeen(cell, column);
  if (!first) return <NotSold />;
  const [price, by, was] = first.price;
  const selling = [first, ...others].reduce((sum, { stores }) => sum + stores.length, 0);
  return (
    <span className="inline-flex items-center gap-1.5">
      {selling < column.stores.length ? <Aside words={`in ${selling}`} /> : null}
      {others.length > 0 ? (
        <Aside
          words={`${selling - first.stores.length} ${selling - first.stores.length === 1 ? 'other' : 'others'}`}
        >
          {others.some((one) => isChanged(one.price)) ? (
            <Way price={others.find((one) => isChanged(one.price))!.price} />
          ) : null}
        </Aside>
      ) : null}
      {isChanged(first.price) ? (
        <>
          <s className="former text-[13px]">
            <span className="sr-only">was </span>
            {was == null ? 'not sold' : saidAmount(was)}
          </s>
          <Way price={first.price} />
        </>
      ) : null}
      {price === null ? (
        <NotSold />
      ) : by >= 0 ? (
        <PriceTag price={price} promoted />
      ) : (
        <span>{saidAmount(price)}</span>
      )}
    </span>
  );
}

const Aside = ({ words, children }: { words: string; children?: React.ReactNode }) => (
  <span className="quiet inline-flex items-center text-[13px]">
    {words}
    {children}
  </span>
);

/** Down or up; what is not sold any more is down. */
function Way({ price: [price, , was] }: { price: GridPriceView }) {
  const isDown = price === null || (was != null && Number(price) < Number(was));
  return (
    <span aria-hidden="true" className="font-bold">
      {isDown ? '↓' : '↑'}
    </span>
  );
}

const NotSold = () => <span className="quiet text-[13px]">not sold</span>;
