import { useMemo, useState } from 'react';
import type { CodePattern } from '../../core/codes/index.ts';
import { Check, FaultField, Notice } from '../../ui/pieces/index.ts';
import { type Refusal, refusalWords } from '../server/index.ts';
import {
  askedBy,
  type BatchDraft,
  type BatchField,
  fieldAt,
  misreadIn,
  sampleOf,
  standsBeside,
} from './batch-draft.ts';
import { hardnessWords } from './hardness-words.ts';

interface FormProps {
  readonly draft: BatchDraft;
  /** Codes of batches that the promotion has already. */
  readonly given: number;
  readonly guessesPerDay: number;
  readonly refusal: Refusal | null;
  readonly busy: boolean;
  readonly onDraft: (draft: BatchDraft) => void;
  readonly onMake: () => void;
  readonly onLeave: () => void;
}

/** What the codes of a batch are to look like, with a sample of them before they are made. */
export function BatchForm(props: FormProps) {
  const { draft, refusal, busy, onDraft, onMake, onLeave } = props;
  const asked = askedBy(draft);
  return (
    <form
      aria-label="A batch of codes"
      className="bg-base-200 mt-3 max-w-3xl px-4 py-3 text-sm"
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        if (asked) onMake();
      }}
    >
      <div className="grid items-start gap-x-6 gap-y-3 sm:grid-cols-3">
        <Fields {...props} />
      </div>
      <div className="mt-3">
        <Check
          words="Test codes for the house: good as often as one likes, and counted nowhere"
          checked={draft.test}
          onChange={(test) => onDraft({ ...draft, test, ...(test ? { count: '1' } : {}) })}
        />
      </div>
      {asked ? (
        <Sample key={JSON.stringify(asked.pattern)} {...props} pattern={asked.pattern} count={asked.count} />
      ) : null}
      {refusal && !standsBeside(refusal.faults) ? (
        <Notice tone="trouble">{refusalWords(refusal)}</Notice>
      ) : null}
      <p className="mt-3 flex gap-2">
        <button type="submit" className="btn btn-primary btn-sm" disabled={busy || !asked}>
          Make them
        </button>
        <button type="button" className="btn btn-sm" onClick={onLeave}>
          Leave it
        </button>
      </p>
    </form>
  );
}

const FIELDS: readonly (readonly [BatchField, string])[] = [
  ['count', 'How many'],
  ['length', 'Signs drawn for each'],
  ['dashEvery', 'A dash after every'],
  ['prefix', 'Before them'],
  ['suffix', 'After them'],
];
const SIGNS: readonly (readonly [CodePattern['of'], string])[] = [
  ['both', 'letters and digits'],
  ['letters', 'letters'],
  ['digits', 'digits'],
];

function Fields({ draft, refusal, onDraft }: FormProps) {
  const misread = misreadIn(draft);
  const told = (field: string) =>
    refusal?.faults.find(({ path }) => fieldAt(path) === field)?.message ?? null;
  return (
    <>
      {FIELDS.map(([field, label]) => (
        <FaultField
          key={field}
          label={label}
          inputMode={field === 'prefix' || field === 'suffix' ? 'text' : 'numeric'}
          value={draft[field]}
          fault={misread[field] ? `wanted: ${misread[field]}` : told(field)}
          onChange={(text) => onDraft({ ...draft, [field]: text })}
        />
      ))}
      <label className="block">
        Drawn from
        <select
          className="select select-sm mt-0.5 w-full"
          value={draft.of}
          onChange={({ target }) => onDraft({ ...draft, of: target.value as CodePattern['of'] })}
        >
          {SIGNS.map(([of, words]) => (
            <option key={of} value={of}>
              {words}
            </option>
          ))}
        </select>
      </label>
      {(['from', 'to'] as const).map((end) => (
        <label key={end} className="block">
          {end === 'from' ? 'Good from' : 'The last day'}
          <input
            type="date"
            className="input input-sm mt-0.5 block w-full"
            value={draft[end]}
            aria-invalid={told(end) !== null}
            onChange={({ target }) => onDraft({ ...draft, [end]: target.value })}
          />
          {told(end) ? <span className="text-error">{told(end)}</span> : null}
        </label>
      ))}
    </>
  );
}

const SHOWN = 5;

/** A few codes as they will look, thrown away and drawn anew as often as one likes; and how hard they are to guess. */
function Sample({
  pattern,
  count,
  given,
  guessesPerDay,
}: Pick<FormProps, 'given' | 'guessesPerDay'> & { pattern: CodePattern; count: number }) {
  const [round, setRound] = useState(0);
  // biome-ignore lint/correctness/useExhaustiveDependencies: each round draws others
  const sample = useMemo(() => sampleOf(pattern, Math.min(SHOWN, count)), [pattern, count, round]);
  const { words, enough } = hardnessWords(pattern, given + count, guessesPerDay);
  return (
    <div className="mt-4">
      <p className="flex flex-wrap items-baseline gap-x-4 gap-y-1">
        <span>So they look:</span>
        {sample.map((code) => (
          <code key={code}>{code}</code>
        ))}
        <button type="button" className="link" onClick={() => setRound(round + 1)}>
          Draw others
        </button>
      </p>
      {enough ? (
        <p className="quiet mt-1">{words}</p>
      ) : (
        <Notice tone="care" still className="mt-1">
          {words}
        </Notice>
      )}
    </div>
  );
}
