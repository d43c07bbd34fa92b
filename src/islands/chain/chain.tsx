import type { ChainView, ChainWords, HouseRules, LensView } from '../../contracts/view/index.ts';
import { WithServer } from '../server/index.ts';
import { ChainWordsForm } from './chain-words.tsx';
import { HouseRulesForm } from './house-rules-form.tsx';
import { HowPricesCome } from './how-prices-come.tsx';
import { type Switches, WorkRules } from './work-rules.tsx';

/** What is said of the chain as a whole: how prices come about, how its people work, what it asks of promotions. */
export function Chain({
  chain,
  rules: { house, ...rules },
  words,
  view,
}: {
  chain: ChainView;
  rules: Switches & { readonly house: HouseRules };
  words: ChainWords;
  view: LensView;
}) {
  return (
    <WithServer>
      <div className="mt-5 grid grid-cols-[minmax(0,1fr)] gap-x-12 gap-y-9 xl:grid-cols-[minmax(0,1fr)_minmax(0,1fr)]">
        <div className="space-y-9">
          <HowPricesCome chain={chain} view={view} />
          <section aria-labelledby="approval">
            <h2 id="approval" className="text-xl">
              Approval
            </h2>
            <WorkRules rules={rules} of="Approval" />
          </section>
          <section aria-labelledby="shelf-tags">
            <h2 id="shelf-tags" className="text-xl">
              Shelf tags
            </h2>
            <WorkRules rules={rules} of="Shelf tags" />
          </section>
        </div>
        <div className="space-y-9">
          <HouseRulesForm house={house} />
          <section aria-labelledby="words">
            <h2 id="words" className="text-xl">
              Words that deals can ask for
            </h2>
            <ChainWordsForm words={words} />
          </section>
        </div>
      </div>
    </WithServer>
  );
}
