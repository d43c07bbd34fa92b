import type { UseSpan } from '../../core/plan/index.ts';
import { Check, KeptField } from '../../ui/pieces/index.ts';
import type { Draft } from '../draft/draft.ts';
import { OptionalCount } from './count-field.tsx';
import { listOf } from './typed-numbers.ts';

interface PartProps {
  readonly draft: Draft;
  readonly onChange: (draft: Draft) => void;
}

/** By which codes a promotion of any kind is had, and how often, counted over all tills. */
export function CodesPart(props: PartProps) {
  return (
    <span className="block space-y-3 text-sm">
      <CodesField {...props} />
      <BatchesField {...props} />
      <UsesFields {...props} />
      <SpanField {...props} />
    </span>
  );
}

const LIMITS = {
  perShopper: 'At most so many receipts a shopper',
  unitsPerShopper: 'At most so many units a shopper',
  inAll: 'At most so many receipts in all',
  unitsInAll: 'At most so many units in all',
  perCode: 'At most so many receipts a code',
  unitsPerCode: 'At most so many units a code',
} as const;
const CUT_OFF = 'While a till is cut off it may give so many by itself; nothing means none';

function UsesFields({ draft, onChange }: PartProps) {
  const { uses = {}, ...rest } = draft;
  const field = (key: keyof typeof LIMITS | 'cutOff', label: string) => (
    <OptionalCount
      key={key}
      label={label}
      count={uses[key]}
      onChange={(count) => {
        const { [key]: _, ...others } = uses;
        const next = count === null ? others : { ...others, [key]: count };
        const limited = Object.keys(next).some((limit) => limit !== 'every');
        onChange((limited ? { ...rest, uses: next } : rest) as Draft);
      }}
    />
  );
  return (
    <>
      <span className="grid grid-cols-2 items-end gap-3">
        {(Object.keys(LIMITS) as (keyof typeof LIMITS)[]).map((key) => field(key, LIMITS[key]))}
      </span>
      <span className="quiet block">Units beyond a limit cost what they would without this.</span>
      {field('cutOff', CUT_OFF)}
    </>
  );
}

/** Only who says one of these gets it. */
function CodesField({ draft, onChange }: PartProps) {
  return (
    <KeptField
      label="Only with one of these codes, with spaces between; nothing means without a code"
      text={draft.codes?.join(' ') ?? ''}
      inputMode="text"
      optional
      reading={{ read: listOf, wanted: 'codes with spaces between' }}
      onChange={(codes) => {
        const { codes: _, ...rest } = draft;
        onChange((codes && codes.length > 0 ? { ...rest, codes } : rest) as Draft);
      }}
    />
  );
}

/** Codes of which each is good once are no part of the sentence: there may be a million. */
function BatchesField({ draft, onChange }: PartProps) {
  const { codeBatches = false, ...rest } = draft;
  return (
    <span className="block">
      <Check
        words="Or with a single-use code, each good for one receipt"
        checked={codeBatches}
        onChange={(checked) => onChange((checked ? { ...rest, codeBatches: true } : rest) as Draft)}
      />
      {codeBatches ? (
        <span className="quiet mt-1 block">
          Save it: then they are made by the batch under “Single-use codes” on this page.
        </span>
      ) : null}
    </span>
  );
}

const SPANS: readonly { every: UseSpan | null; words: string }[] = [
  { every: null, words: 'once for all' },
  { every: 'day', words: 'anew each day' },
  { every: 'week', words: 'anew each week, from Monday' },
  { every: 'month', words: 'anew each month' },
];

/** Whether the limits count once for all or anew in each span, by the calendar of the store. */
function SpanField({ draft, onChange }: PartProps) {
  const { uses = {}, ...rest } = draft;
  const { every, ...limits } = uses;
  if (Object.keys(limits).length === 0) return null;
  return (
    <label className="block">
      These limits count
      <select
        className="select select-sm mt-0.5 w-full"
        value={every ?? ''}
        onChange={({ target }) =>
          onChange({
            ...rest,
            uses: target.value === '' ? limits : { ...limits, every: target.value as UseSpan },
          } as Draft)
        }
      >
        {SPANS.map(({ every: span, words }) => (
          <option key={words} value={span ?? ''}>
            {words}
          </option>
        ))}
      </select>
    </label>
  );
}
