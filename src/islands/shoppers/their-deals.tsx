import { idInAddress } from '../../contracts/index.ts';
import type { ShopperView, TheirPromotion } from '../../contracts/view/index.ts';
import { saidCount } from '../../ui/writing/index.ts';

/** Promotions that are for somebody and not for everyone, or that they may use only so often. */
export function TheirDeals({ promotions, query }: Pick<ShopperView, 'promotions'> & { query: string }) {
  return (
    <section aria-label="What is for them">
      <h2 className="text-xl">What is for them</h2>
      {promotions.length === 0 ? (
        <p className="quiet mt-1 text-sm">
          Nothing but what is for everyone. A promotion is given to them in its sentence, under whom it is
          for.
        </p>
      ) : null}
      <ul className="mt-1 text-sm">
        {promotions.map((one) => (
          <li key={one.id} className="hairline border-b py-2">
            <a className="font-medium hover:underline" href={`/plan/${idInAddress(one.id)}${query}`}>
              {one.name}
            </a>
            {one.uses.map((use) => (
              <span key={use.of} className="quiet ml-3">
                {usesWords(use)}
              </span>
            ))}
            <p className="quiet">{one.sentence}</p>
          </li>
        ))}
      </ul>
    </section>
  );
}

const SPANS: Readonly<Record<string, string>> = { day: 'today', week: 'this week', month: 'this month' };

const usesWords = ({ of, taken, most, every }: TheirPromotion['uses'][number]): string => {
  const span = every === null ? '' : ` ${SPANS[every] ?? every}`;
  if (of === 'units') return `had ${saidCount(taken)} of ${saidCount(most)} units${span}`;
  return `used ${saidCount(taken)} of ${saidCount(most)}${span}`;
};
