import { idInAddress } from '../../contracts/index.ts';
import { type GridRowView, type LensView, lensQuery } from '../../contracts/view/index.ts';
import { saidAmount } from '../../ui/writing/index.ts';
import { type DrawnColumn, titleOf } from './columns.ts';
import { isChanged, type PriceSeen, pricesSeen } from './prices-seen.ts';
import type { GridCellSeen } from './use-grid.ts';

interface Story {
  readonly row: GridRowView;
  readonly column: DrawnColumn;
  readonly seen: GridCellSeen;
  readonly view: LensView;
  /** What prices are held against, in words; null: nothing. */
  readonly against: string | null;
}

/** What the cell that is held says, in sentences, and where to go on from it. */
export function CellStory(story: Story) {
  const { row, column, seen, view } = story;
  const prices = pricesSeen(seen.cell, column);
  return (
    <div className="mt-3 max-h-28 overflow-y-auto text-sm" role="status">
      <strong className="font-medium">{row.name}</strong> ({row.group})
      {prices.length === 0 ? ` is not sold in ${titleOf(column.stores)}.` : null}
      {prices.map((one) => (
        <PriceSaid key={one.stores[0]!.id} one={one} {...story} />
      ))}{' '}
      <a
        className="link whitespace-nowrap"
        href={`/check/price${lensQuery({ ...view.lens, where: (prices[0] ?? column).stores[0]!.id }, { item: row.sku })}`}
      >
        Why this price
      </a>
    </div>
  );
}

const NAMED = 3;

function PriceSaid({
  one: { price: view, stores },
  column,
  seen,
  against,
  view: looked,
}: Story & { one: PriceSeen }) {
  const [price, by, was, wasBy = -1] = view;
  const query = lensQuery(looked.lens);
  const where =
    stores.length <= NAMED
      ? stores.map(({ name }) => name).join(', ')
      : stores.length < column.stores.length
        ? `${stores.length} of ${titleOf(column.stores)}`
        : titleOf(stores);
  return (
    <>
      , in {where}: <Said price={price} promotion={seen.promotions[by]} query={query} />.
      {against && was !== undefined ? (
        <>
          {' '}
          {against}{' '}
          {isChanged(view) ? (
            <Said price={was} promotion={seen.promotions[wasBy]} query={query} />
          ) : (
            'the same'
          )}
          .
        </>
      ) : null}
    </>
  );
}

function Said({
  price,
  promotion,
  query,
}: {
  price: string | null;
  promotion: GridCellSeen['promotions'][number] | undefined;
  query: string;
}) {
  if (price === null) return 'not sold';
  return (
    <>
      <strong className="font-medium">{saidAmount(price)}</strong>
      {promotion ? (
        <>
          {' through '}
          <a className="link" href={`/plan/${idInAddress(promotion.id)}${query}`}>
            {promotion.name}
          </a>
        </>
      ) : (
        ', with no promotion'
      )}
    </>
  );
}
