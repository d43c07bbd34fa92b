import { useState } from 'react';
import type { ItemRule, RoundingDocument, StoreRule } from '../../core/plan/index.ts';
import { dealSentence, itemWords, namesOf, roundingWords, storeWords } from '../../core/sentence/index.ts';
import { writing } from '../../ui/writing/index.ts';
import type { PriceChangeDraft } from '../draft/draft.ts';
import { Selection } from '../selection/index.ts';
import { faultUnder } from '../sentence/faults.ts';
import type { FormProps } from '../sentence/form-props.ts';
import { FormulaPart } from '../sentence/formula-part.tsx';
import { MoreParts } from '../sentence/more-parts.tsx';
import { RoundingPart } from '../sentence/rounding-part.tsx';
import { NameField, named, Said, type SaidPart } from '../sentence/said.tsx';
import { WhenPart } from '../sentence/when-part.tsx';
import { WhoPart } from '../sentence/who-part.tsx';

const FIRST_ROUNDING: RoundingDocument = { step: '0.05', mode: 'up' };
const GOODS_TO_CHOOSE: ItemRule = { items: [] };

/** The deal sentence as the form: each part is pressed and changed in its place. */
export function SentenceForm(props: FormProps) {
  const { draft, choices, faults, locked, looking, onChange } = props;
  const [known, setKnown] = useState<Record<string, string>>({});
  const names = namesOf({ ...choices, items: named(known) as never }, writing());
  const { offer } = draft;
  const items = offer.items ?? GOODS_TO_CHOOSE;
  const said = dealSentence(draft, { ...offer, items }, choices.currency, names);
  const put = (part: Partial<PriceChangeDraft>) => onChange({ ...draft, ...part });
  const putOffer = (part: Partial<PriceChangeDraft['offer']>) =>
    onChange({ ...draft, offer: { ...offer, ...part } });
  const [added, setAdded] = useState(false);
  const addRounding = () => {
    setAdded(true);
    putOffer({ rounding: FIRST_ROUNDING });
  };
  const say = (part: SaidPart) => <Said {...part} locked={locked} />;
  return (
    <>
      <NameField {...props} onName={(name) => put({ name })} />
      <p className="mt-5 font-serif text-[1.42rem] leading-[1.75]">
        {say({
          name: 'When',
          words: said.when,
          fault: faultUnder(faults, '/when'),
          children: <WhenPart when={draft.when} onChange={(when) => put({ when })} />,
        })}
        , in{' '}
        {say({
          name: 'Where',
          words: said.where.replace(/^in /, ''),
          fault: faultUnder(faults, '/where'),
          wide: true,
          children: (
            <Selection<StoreRule>
              of="stores"
              rule={draft.where ?? { all: true }}
              choices={choices}
              wordsOf={(rule) => storeWords(rule, names)}
              looking={looking}
              onChange={(where) => put({ where })}
            />
          ),
        })}
        ,{' '}
        {say({
          name: 'For whom',
          words: said.who,
          fault: faultUnder(faults, '/who'),
          children: <WhoPart who={draft.who} choices={choices} onChange={(who) => put({ who })} />,
        })}{' '}
        pay{' '}
        {offer.worksheet ? (
          'the prices of the worksheet below'
        ) : (
          <>
            {say({
              name: 'How the price comes about',
              words: said.formula,
              fault: faultUnder(faults, '/offer/formula'),
              children: offer.formula ? (
                <FormulaPart
                  formula={offer.formula}
                  choices={choices}
                  onChange={(formula) => putOffer({ formula })}
                />
              ) : (
                <span className="text-sm">
                  Each item has a price of its own here; the list stays as it is.
                </span>
              ),
            })}{' '}
            {say({
              name: 'Goods',
              words: offer.items === null ? 'goods to choose' : said.items,
              fault: faultUnder(faults, '/offer/items'),
              wide: true,
              children: (
                <Selection<ItemRule>
                  of="items"
                  rule={offer.items}
                  choices={choices}
                  wordsOf={(rule) => itemWords(rule, names)}
                  looking={looking}
                  onKnown={(found) => setKnown((before) => ({ ...before, ...found }))}
                  onChange={(next) => putOffer({ items: next })}
                />
              ),
            })}
          </>
        )}
        {offer.rounding ? ', ' : null}
        {offer.rounding
          ? say({
              name: 'Rounding',
              startOpen: added,
              words: roundingWords(offer.rounding, writing()),
              fault: faultUnder(faults, '/offer/rounding'),
              children: (
                <RoundingPart rounding={offer.rounding} onChange={(rounding) => putOffer({ rounding })} />
              ),
            })
          : null}
        {said.rest
          .filter((part) => !offer.rounding || part !== roundingWords(offer.rounding, writing()))
          .map((part) => `, ${part}`)
          .join('')}
        .
      </p>
      {locked ? null : <MoreParts {...props} onAddRounding={addRounding} />}
    </>
  );
}
