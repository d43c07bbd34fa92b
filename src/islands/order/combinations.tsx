import { idInAddress } from '../../contracts/index.ts';
import type { LensView, OrderedPromotion } from '../../contracts/view/index.ts';
import { lensQuery } from '../../contracts/view/index.ts';
import { otherwise, sortOf, type Together, together } from '../../core/combining/index.ts';
import type { OrderDesk, OrderEvent } from './desk.ts';

const MARKS: Readonly<Record<Together, string>> = { both: '+', one: '1', apart: '×' };
const WORDS: Readonly<Record<Together, string>> = {
  both: 'both count',
  one: 'one of them counts on each unit',
  apart: 'where one counts the other does not',
};
const SORT_WORDS = {
  tag: 'Price changes',
  units: 'Deals',
  basket: 'Rewards on the basket',
  delivery: 'Delivery',
} as const;
const SORTS = ['basket', 'units', 'tag', 'delivery'] as const;

/** A matrix of who goes with whom; what two promotions can say themselves is pressed. */
export function Combinations({
  desk,
  tell,
  view,
  plans,
}: {
  desk: OrderDesk;
  tell: (event: OrderEvent) => void;
  view: LensView;
  plans: boolean;
}) {
  const { are, were } = desk;
  const rows = SORTS.flatMap((sort) => are.promotions.filter((one) => sortOf(one) === sort));
  // What two price changes, or two deals, are to each other is always the same; what rewards are to all is not.
  const columns = rows.filter((one) => sortOf(one) === 'basket' || sortOf(one) === 'units');
  const all = [...are.promotions, ...are.rewards];
  const meets = new Set(are.meets.flatMap(([a, b]) => [`${a} ${b}`, `${b} ${a}`]));
  const before = new Map(were.promotions.map((one) => [one.id, one]));
  return (
    <>
      <p className="quiet mt-2 text-sm">
        {(['both', 'one', 'apart'] as const).map((how) => (
          <span key={how} className="mr-4 whitespace-nowrap">
            <b className="tabular-nums">{MARKS[how]}</b> {WORDS[how]}
          </span>
        ))}
        Empty: they never meet. {plans ? 'An underlined cell can be pressed.' : ''}
      </p>
      <section
        aria-label="Who goes with whom"
        className="mt-3 max-h-[70vh] overflow-auto"
        // biome-ignore lint/a11y/noNoninteractiveTabindex: a region that scrolls must be reachable by keys.
        tabIndex={0}
      >
        <table className="rows text-sm">
          <thead className="sticky top-0 z-10 bg-base-100">
            <tr>
              <th className="sticky left-0 z-20 min-w-52 bg-base-100">Promotion</th>
              {columns.map(({ id, name }) => (
                <th key={id} className="w-16 max-w-16 align-bottom font-normal" title={name}>
                  <span className="matrix-head">{name}</span>
                </th>
              ))}
            </tr>
          </thead>
          {SORTS.map((sort) => {
            const group = rows.filter((one) => sortOf(one) === sort);
            if (group.length === 0) return null;
            return (
              <tbody key={sort}>
                <tr>
                  <th colSpan={columns.length + 1} className="sticky left-0 pt-3 text-left font-semibold">
                    {SORT_WORDS[sort]}
                  </th>
                </tr>
                {group.map((row) => (
                  <tr key={row.id}>
                    <th scope="row" className="sticky left-0 bg-base-100 font-normal">
                      <a
                        className="hover:underline"
                        href={`/plan/${idInAddress(row.id)}${lensQuery(view.lens)}`}
                      >
                        {row.name}
                      </a>
                    </th>
                    {columns.map((column) => (
                      <Cell
                        key={column.id}
                        {...{ row, column, plans }}
                        meets={meets.has(`${row.id} ${column.id}`)}
                        can={row.id !== column.id && otherwise(row, column, all) !== null}
                        was={pairOf(before.get(row.id)!, before.get(column.id)!)}
                        onPress={() => tell({ type: 'toggled', one: row.id, other: column.id })}
                      />
                    ))}
                  </tr>
                ))}
              </tbody>
            );
          })}
        </table>
      </section>
    </>
  );
}

const pairOf = (a: OrderedPromotion, b: OrderedPromotion): Together | null =>
  a.id === b.id ? null : together(a, b);

function Cell({
  row,
  column,
  can,
  was,
  meets,
  plans,
  onPress,
}: {
  row: OrderedPromotion;
  column: OrderedPromotion;
  can: boolean;
  was: Together | null;
  /** They are about goods of each other, in stores of each other. */
  meets: boolean;
  plans: boolean;
  onPress: () => void;
}) {
  const now = pairOf(row, column);
  if (now === null) return <td className="bg-base-200" />;
  if (!meets) return <td title={`${row.name} and ${column.name} never meet`} />;
  const words = `${row.name} and ${column.name}: ${WORDS[now]}`;
  const changed = was !== now;
  return (
    <td className={`text-center ${changed ? 'bg-base-300' : ''}`} title={words}>
      {can && plans ? (
        <button type="button" className="link px-2" aria-label={words} onClick={onPress}>
          {MARKS[now]}
        </button>
      ) : (
        <span role="img" aria-label={words} className="quiet">
          {MARKS[now]}
        </span>
      )}
      {changed ? <span className="sr-only">changed</span> : null}
    </td>
  );
}
