import type { ReactNode } from 'react';
import { idInAddress } from '../../contracts/index.ts';
import type { PriceStory } from '../../contracts/view/index.ts';
import { PriceTag } from '../../ui/pieces/index.ts';
import { PRICE_PROBLEM_WORDS } from '../../ui/words/index.ts';
import { saidAmount, shortDate } from '../../ui/writing/index.ts';

const SCOPES = { store: 'this store alone', zone: 'the price zone', chain: 'the whole chain' } as const;
const UNITS: Readonly<Record<string, string>> = { kg: 'a kilogram', l: 'a litre', m: 'a metre' };

/** The figure, and the steps by which it came about. */
export function Why({ story, query }: { story: PriceStory; query: string }) {
  const { item, problem, price, regular, base, winner, onTop, currency } = story;
  if (problem || price === null || !regular || !base)
    return (
      <>
        <h2 className="mt-1 text-2xl">{item.name}</h2>
        <p className="mt-4 font-serif text-2xl">It cannot be sold here.</p>
        <p className="mt-1">{problem ? PRICE_PROBLEM_WORDS[problem] : null}</p>
      </>
    );
  const promoted = winner !== null || onTop.length > 0;
  return (
    <>
      <h2 className="mt-1 text-2xl">{item.name}</h2>
      <p className="mt-4 flex flex-wrap items-baseline gap-x-3 text-5xl" data-testid="price">
        <PriceTag price={price} former={base.price} promoted={promoted} />
        <span className="quiet text-base">
          {currency}
          {UNITS[item.unit] ? ` for ${UNITS[item.unit]}` : ''}
        </span>
      </p>
      <h3 className="mt-6 font-semibold text-sm">Why</h3>
      <ol className="mt-1">
        <Step figure={regular.price}>
          {/* A date may end in a point of its own, and does not end the sentence. */}
          {regular.since ? `Since ${shortDate(regular.since, story.at)} the` : 'The'} regular price of{' '}
          {SCOPES[regular.scope]}.
        </Step>
        {base.list === null ? null : (
          <Step figure={base.price}>
            These shoppers pay by the price list <b>{base.list}</b>; it is not the public price.
          </Step>
        )}
        {winner ? (
          <Step figure={onTop[0]?.before ?? price}>
            <a className="link font-medium" href={`/plan/${idInAddress(winner.id)}${query}`}>
              {winner.name}
            </a>{' '}
            sets the price: {winner.working}.{winner.changesNothing ? ' That changes nothing.' : ''}
            <span className="quiet block text-sm">{winner.sentence}</span>
          </Step>
        ) : (
          <Step figure={base.price}>No price change sets another price.</Step>
        )}
        {onTop.map(({ id, name, before, after }) => (
          <Step key={id} figure={after}>
            On top,{' '}
            <a className="link font-medium" href={`/plan/${idInAddress(id)}${query}`}>
              {name}
            </a>{' '}
            takes it from {saidAmount(before)} to {saidAmount(after)}.
          </Step>
        ))}
      </ol>
    </>
  );
}

function Step({ figure, children }: { figure: string; children: ReactNode }) {
  return (
    <li className="hairline flex gap-4 border-b py-2 first:border-t">
      <span className="flex-1">{children}</span>
      <span className="font-medium tabular-nums">{saidAmount(figure)}</span>
    </li>
  );
}
