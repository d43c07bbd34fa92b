import { idInAddress } from '../../contracts/index.ts';
import { type LensView, lensQuery } from '../../contracts/view/index.ts';
import { saidAmount, saidCount } from '../../ui/writing/index.ts';
import { basketAddress, NO_EXTRAS } from '../basket/index.ts';
import { MendLinks } from '../findings/index.ts';
import type { LoopholeSomewhere } from './desk.ts';

const STORES_NAMED = 3;

/** One basket: what is in it, what it leaves and by which promotions, and what can be done about it. */
export function LoopholeRow({
  one: { loophole, stores },
  currency,
  view,
  plans,
}: {
  one: LoopholeSomewhere;
  currency: string;
  view: LensView;
  plans: boolean;
}) {
  const { lines, goods, cost, promotions, codes, mends, margin, loses } = loophole;
  const lens = { ...view.lens, where: stores[0]!.id, at: view.at };
  const basket = {
    lines: lines.map(({ sku, quantity }) => ({ sku, quantity: String(quantity) })),
    extras: { ...NO_EXTRAS, codes: codes.join(', ') },
  };
  return (
    <li className="hairline grid gap-x-6 border-b py-3 md:grid-cols-[minmax(0,1fr)_13rem]">
      <div>
        <p>
          {lines.map(({ sku, name, quantity }, i) => (
            <span key={sku}>
              {i > 0 ? ', ' : ''}
              <span className="tabular-nums">{saidCount(quantity)}</span> × {name}
            </span>
          ))}
        </p>
        <p className="quiet text-sm">
          {promotions.length > 0
            ? `By ${promotions.map(({ name }) => name).join(', ')}. `
            : 'By no promotion. '}
          {codes.length > 0 ? `With ${codes.join(', ')}. ` : ''}
          {storesWords(stores)}
        </p>
        <p className="mt-1 flex flex-wrap gap-x-4 text-sm leading-7">
          <a className="link" href={basketAddress(lens, basket)}>
            Ring it
          </a>
          {promotions.map(({ id, name }) => (
            <a key={id} className="link" href={`/plan/${idInAddress(id)}${lensQuery(view.lens)}`}>
              Open {name}
            </a>
          ))}
          {plans ? <MendLinks mends={mends} view={view} /> : null}
        </p>
      </div>
      <p className="text-right text-sm">
        <b className="text-base tabular-nums">
          {saidAmount(margin)} {currency}
        </b>
        <span className="quiet block">
          {loses ? 'lost' : 'left'}: {saidAmount(goods)} paid, {saidAmount(cost)} cost
        </span>
      </p>
    </li>
  );
}

function storesWords(stores: LoopholeSomewhere['stores']): string {
  const named = stores
    .slice(0, STORES_NAMED)
    .map(({ name }) => name)
    .join(', ');
  return stores.length > STORES_NAMED
    ? `In ${named} and ${saidCount(stores.length - STORES_NAMED)} more.`
    : `In ${named}.`;
}
