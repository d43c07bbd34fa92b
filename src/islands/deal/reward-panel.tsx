import type { BasketRewardDocument, ConditionsDocument } from '../../core/plan/index.ts';
import { NOTHING_CHOSEN } from '../../core/sentence/index.ts';
import { Check, KeptField, WordsChoice } from '../../ui/pieces/index.ts';
import { numberOf } from '../sentence/typed-numbers.ts';
import { ConditionFields } from './condition-fields.tsx';
import { GoodsField } from './goods-field.tsx';
import type { KindInEditor } from './kind-in-editor.ts';
import type { PanelProps } from './panel-props.ts';
import { type Tier, TierFields } from './tier-fields.tsx';

type Reward = BasketRewardDocument;

export const rewardInEditor: KindInEditor<Reward> = {
  Panel: RewardPanel,
  additions: (offer) => [
    ...(offer.items ? [] : [{ part: 'items', words: 'only on some goods' }]),
    { part: 'conditions', words: 'conditions' },
    { part: 'beside', words: 'most, and with other deals' },
  ],
};

/** A basket reward: its tiers, what counts, what it asks, how it goes with others. */
function RewardPanel(props: PanelProps<Reward>) {
  const { offer, part, onChange } = props;
  const { items, conditions, ...rest } = offer;
  if (part === 'tiers') return <TiersPanel {...props} />;
  if (part === 'items')
    return (
      <span className="block space-y-2">
        <GoodsField
          {...props}
          items={items ?? NOTHING_CHOSEN}
          onItems={(next) => onChange({ ...offer, items: next })}
        />
        {items ? (
          <button
            type="button"
            className="btn btn-xs"
            onClick={() => onChange({ ...rest, ...(conditions ? { conditions } : {}) })}
          >
            Everything counts
          </button>
        ) : null}
      </span>
    );
  if (part === 'conditions')
    return (
      <ConditionFields
        conditions={conditions ?? {}}
        words={props.choices.words}
        onChange={(next) => onChange({ ...rest, ...(items ? { items } : {}), ...asked(next) })}
      />
    );
  return <BesidePanel {...props} />;
}

const asked = (conditions: ConditionsDocument) => (Object.keys(conditions).length > 0 ? { conditions } : {});

function TiersPanel({ offer, choices, onChange }: PanelProps<Reward>) {
  const inMoney = offer.threshold === 'subtotal';
  const count = (threshold: Reward['threshold']) => {
    if (threshold === offer.threshold) return;
    const tiers = offer.tiers.map((tier, i) => ({
      ...tier,
      atLeast: threshold === 'units' ? 5 * (i + 1) : String(30 * (i + 1)),
    }));
    onChange({ ...offer, threshold, tiers: tiers as Reward['tiers'] });
  };
  return (
    <span className="block space-y-3">
      <label className="block">
        Counted
        <select
          className="select select-sm mt-0.5 w-full"
          value={offer.threshold}
          onChange={(event) => count(event.target.value as Reward['threshold'])}
        >
          <option value="subtotal">by what is to pay</option>
          <option value="units">by the number of pieces</option>
        </select>
      </label>
      <TierFields
        key={offer.threshold}
        tiers={offer.tiers as Tier[]}
        ways={['amountOff', 'percentOff']}
        currency={choices.currency}
        inMoney={inMoney}
        onChange={(tiers) => onChange({ ...offer, tiers: tiers as Reward['tiers'] })}
      />
    </span>
  );
}

/** The keys of a reward that may be absent. */
type Optional = 'maxDiscount' | 'measure' | 'skipDiscounted' | 'combinesWith';

function BesidePanel({ offer, choices, own, onChange }: PanelProps<Reward>) {
  const put = <K extends Optional>(key: K, value: Reward[K] | null) => {
    const { [key]: _, ...rest } = offer;
    onChange((value === null ? rest : { ...rest, [key]: value }) as Reward);
  };
  const named = Array.isArray(offer.combinesWith);
  const beside = named ? 'named' : ((offer.combinesWith as string | undefined) ?? 'all');
  return (
    <span className="block space-y-3">
      <KeptField
        label={`At most so much off, in ${choices.currency}`}
        text={offer.maxDiscount ?? ''}
        optional
        reading={{ read: numberOf, wanted: 'an amount such as 20, or nothing' }}
        onChange={(most) => put('maxDiscount', most)}
      />
      <Check
        words="Counted at the tags, before other deals take anything off"
        checked={offer.measure === 'before'}
        onChange={(before) => put('measure', before ? 'before' : null)}
      />
      <Check
        words="What is reduced already does not count"
        checked={offer.skipDiscounted === true}
        onChange={(skip) => put('skipDiscounted', skip ? true : null)}
      />
      <label className="block">
        It goes together
        <select
          className="select select-sm mt-0.5 w-full"
          value={beside}
          onChange={(event) => {
            const next = event.target.value;
            put('combinesWith', next === 'all' ? null : next === 'none' ? 'none' : []);
          }}
        >
          <option value="all">with every other reward</option>
          <option value="none">with no other reward and no deal</option>
          <option value="named">with some other rewards only</option>
        </select>
      </label>
      {named ? (
        <WordsChoice
          label="Those rewards; each of them must go together with this one, too"
          known={choices.rewards
            .filter(({ id }) => id !== own)
            .map(({ id, name }) => ({ value: id, words: name }))}
          chosen={offer.combinesWith as string[]}
          none="There is no other reward yet."
          onChange={(ids) => put('combinesWith', ids)}
        />
      ) : null}
    </span>
  );
}
