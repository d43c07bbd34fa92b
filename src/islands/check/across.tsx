import { type LensView, lensQuery, type PriceAcross } from '../../contracts/view/index.ts';
import { PriceTag } from '../../ui/pieces/index.ts';
import { PRICE_PROBLEM_WORDS } from '../../ui/words/index.ts';

const NAMED = 3;

/** The same hour in the other stores, each by its own clock. */
export function Across({ across, view, item }: { across: PriceAcross; view: LensView; item: string }) {
  const to = (store: string) =>
    `/check/price${lensQuery({ ...view.lens, where: store, at: view.lens.at }, { item })}`;
  return (
    <section className="mt-8">
      <h3 className="font-semibold text-sm">
        {view.group ? `In ${view.group.name}` : 'In all stores'}, at this hour of each store’s clock
      </h3>
      <ul className="mt-1">
        {across.prices.map(({ price, problem, promotion, stores }) => (
          <li key={`${price} ${problem} ${promotion?.id}`} className="hairline border-b py-1.5">
            <details>
              <summary className="flex cursor-pointer items-baseline gap-3">
                <span className="w-20 flex-none text-sm">
                  {stores.length} {stores.length === 1 ? 'store' : 'stores'}
                </span>
                <span className="quiet flex-1 truncate text-sm">
                  {promotion?.name ??
                    (stores.length <= NAMED ? stores.map(({ name }) => name).join(', ') : '')}
                </span>
                {price === null ? (
                  <span className="text-sm">not sold</span>
                ) : (
                  <PriceTag price={price} promoted={promotion !== null} />
                )}
              </summary>
              <p className="py-1 text-sm">
                {problem ? `${PRICE_PROBLEM_WORDS[problem]} ` : ''}
                {stores.map(({ id, name }, i) => (
                  <span key={id}>
                    {i > 0 ? ', ' : ''}
                    <a className="link" href={to(id)}>
                      {name}
                    </a>
                  </span>
                ))}
              </p>
            </details>
          </li>
        ))}
      </ul>
    </section>
  );
}
