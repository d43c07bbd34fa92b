import { type ReactNode, useState } from 'react';
import { type BasketOfferDocument, roomOf, type StoreRule } from '../../core/plan/index.ts';
import { dealFrame, itemWords, namesOf, offerPhrase, storeWords } from '../../core/sentence/index.ts';
import { Part } from '../../ui/pieces/index.ts';
import { writing } from '../../ui/writing/index.ts';
import type { DealDraft } from '../draft/draft.ts';
import { unchosenParts } from '../draft/goods-chosen.ts';
import { Selection } from '../selection/index.ts';
import { faultUnder } from '../sentence/faults.ts';
import type { FormProps } from '../sentence/form-props.ts';
import { FrameParts } from '../sentence/frame-parts.tsx';
import { NameField, named, Said } from '../sentence/said.tsx';
import { WhenPart } from '../sentence/when-part.tsx';
import { WhoPart } from '../sentence/who-part.tsx';
import type { Growth } from './kind-in-editor.ts';
import { inEditor } from './kinds.ts';
import { LimitsPanel } from './limits-panel.tsx';

export type DealFormProps = Omit<FormProps, 'draft' | 'onChange'> & {
  readonly draft: DealDraft;
  readonly onChange: (draft: DealDraft) => void;
  /** Names of goods that the draft speaks of, as far as they are known. */
  readonly knownNames: Readonly<Record<string, string>>;
};

/** The sentence of a deal over the basket as its form. */
export function DealForm(props: DealFormProps) {
  const { draft, choices, faults, locked, looking, knownNames, onChange } = props;
  const [found, setFound] = useState<Record<string, string>>({});
  /** The part that was added last: it is open for its goods at once. */
  const [added, setAdded] = useState('');
  const known = {
    ...choices,
    items: named({ ...knownNames, ...found }) as never,
    promotions: choices.rewards,
  };
  const names = namesOf(known, writing());
  const { offer } = draft;
  const { Panel } = inEditor(offer);
  const frame = dealFrame(draft, names);
  const put = (part: Partial<DealDraft>) => onChange({ ...draft, ...part });
  const panel = (part: string) => (
    <span className="block text-sm">
      <Panel
        offer={offer}
        part={part}
        own={draft.id}
        choices={choices}
        looking={looking}
        wordsOf={(rule) => itemWords(rule, names)}
        nameOf={names.item}
        onKnown={(more) => setFound((before) => ({ ...before, ...more }))}
        onChange={(next: BasketOfferDocument) => put({ offer: next })}
      />
    </span>
  );
  const unchosen = unchosenParts(offer);
  return (
    <>
      <NameField {...props} onName={(name) => put({ name })} />
      <p className="mt-5 font-serif text-[1.42rem] leading-[1.75]">
        <Said name="When" words={frame.when} fault={faultUnder(faults, '/when')} locked={locked}>
          <WhenPart when={draft.when} onChange={(when) => put({ when })} />
        </Said>
        , in{' '}
        <Said
          name="Where"
          words={frame.where.replace(/^in /, '')}
          fault={faultUnder(faults, '/where')}
          wide
          locked={locked}
        >
          <Selection<StoreRule>
            of="stores"
            rule={draft.where ?? { all: true }}
            choices={choices}
            wordsOf={(rule) => storeWords(rule, names)}
            looking={looking}
            onChange={(where) => put({ where })}
          />
        </Said>
        ,{' '}
        <Said name="For whom" words={frame.who} fault={faultUnder(faults, '/who')} locked={locked}>
          <WhoPart who={draft.who} choices={choices} onChange={(who) => put({ who })} />
        </Said>{' '}
        get{' '}
        {offerPhrase(offer, choices.currency, names).map((piece, i) =>
          typeof piece === 'string' ? (
            // biome-ignore lint/suspicious/noArrayIndexKey: a piece is its place in the sentence.
            <span key={i}>{piece}</span>
          ) : (
            <Said
              key={piece.part}
              name={PART_NAMES[piece.part.split('/')[0]!] ?? 'Part'}
              words={unchosen.includes(piece.part) ? toChoose(piece.words) : piece.words}
              fault={faultUnder(faults, `/offer/${piece.part}`)}
              wide
              startOpen={piece.part === added}
              locked={locked}
            >
              {panel(piece.part)}
            </Said>
          ),
        )}
        {frame.rest.map((part) => `, ${part}`).join('')}.
      </p>
      {locked ? null : (
        <DealAdditions
          {...{ draft, choices, faults, panel, onChange }}
          onGrow={({ part, grown }) => {
            setAdded(part);
            put({ offer: grown() });
          }}
        />
      )}
    </>
  );
}

/** What a deal can say beside its sentence. */
function DealAdditions({
  draft,
  choices,
  faults,
  panel,
  onGrow,
  onChange,
}: Pick<DealFormProps, 'draft' | 'choices' | 'faults' | 'onChange'> & {
  panel: (part: string) => ReactNode;
  onGrow: (growth: Growth<BasketOfferDocument>) => void;
}) {
  const { additions, growth: growthOf } = inEditor(draft.offer);
  const growth = growthOf?.(draft.offer);
  return (
    <FrameParts
      draft={draft}
      choices={choices}
      faults={faults}
      onChange={(next) => onChange(next as DealDraft)}
    >
      {growth ? (
        <button type="button" className="part" onClick={() => onGrow(growth)}>
          + {growth.words}
        </button>
      ) : null}
      {additions?.(draft.offer).map(({ part, words }) => (
        <Part key={part} name={words} words={words} wide invalid={faultUnder(faults, `/offer/${part}`)}>
          {() => panel(part)}
        </Part>
      ))}
      {roomOf(draft.offer).over === 'units' ? (
        <Part
          name="Limits"
          words="limits, and with price changes"
          wide
          invalid={faultUnder(faults, '/limitPerBasket')}
        >
          {() => <LimitsPanel draft={draft} onChange={onChange} />}
        </Part>
      ) : null}
    </FrameParts>
  );
}

/** The core says "nothing" of an empty list; while a deal is written it is goods still to choose. */
const toChoose = (words: string): string =>
  words.includes('nothing') ? words.replace('nothing', 'goods to choose') : `${words} (goods to choose)`;

/** What a part says, for who hears the sentence instead of seeing it. */
const PART_NAMES: Readonly<Record<string, string>> = {
  items: 'Goods',
  tiers: 'Tiers',
  count: 'How units are counted',
  take: 'How many',
  rewarded: 'Which are rewarded',
  value: 'What shoppers pay',
  get: 'What is got',
  buy: 'What is bought',
  slots: 'A choice',
  extra: 'What costs extra',
  every: 'How many are free',
  minimum: 'From how many on',
  maxFree: 'At most how many',
  parts: 'What lies between two steps',
  measure: 'How it is counted',
  maxDiscount: 'At most how much',
  skipDiscounted: 'What does not count',
  combinesWith: 'With other deals',
  conditions: 'Conditions',
  subtotal: 'From how much on',
  ways: 'Ways of delivery',
  maxItemWeight: 'Weight',
};
