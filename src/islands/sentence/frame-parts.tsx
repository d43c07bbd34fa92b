import type { ReactNode } from 'react';
import type { Choices } from '../../contracts/view/index.ts';
import { KeptField, Part } from '../../ui/pieces/index.ts';
import type { Draft } from '../draft/draft.ts';
import type { Refusal } from '../server/index.ts';
import { CodesPart } from './codes-part.tsx';
import { faultUnder } from './faults.ts';
import { PlacesPart } from './places-part.tsx';
import { SupplierPart } from './supplier-part.tsx';
import { countOf } from './typed-numbers.ts';
import { WordsPart } from './words-part.tsx';

/** What a promotion of any kind says beside its sentence, after what its kind alone can say. */
export function FrameParts({
  draft,
  choices,
  faults,
  onChange,
  children,
}: {
  draft: Draft;
  choices: Choices;
  faults: Refusal['faults'];
  onChange: (draft: Draft) => void;
  children: ReactNode;
}) {
  const under = (...paths: string[]) =>
    paths.map((path) => faultUnder(faults, path)).find((fault) => fault !== null) ?? null;
  return (
    <div className="mt-4 text-sm">
      <p className="flex flex-wrap items-baseline gap-x-4 gap-y-3">
        {children}
        <Part name="Priority" words={`priority ${draft.priority ?? 100}`} invalid={under('/priority')}>
          {() => (
            <KeptField
              label="Priority; 1 comes first, and the first one sets the price"
              text={String(draft.priority ?? 100)}
              inputMode="numeric"
              reading={{ read: countOf, wanted: 'a whole number from 1' }}
              onChange={(priority) => priority !== null && onChange({ ...draft, priority })}
            />
          )}
        </Part>
        <Part name="Codes" words="codes, and how often" wide invalid={under('/codes', '/uses')}>
          {() => <CodesPart draft={draft} onChange={onChange} />}
        </Part>
        <Part
          name="Channels and terminals"
          words="channels and terminals"
          wide
          invalid={under('/channels', '/terminals')}
        >
          {() => <PlacesPart draft={draft} choices={choices} onChange={onChange} />}
        </Part>
        <Part name="Supplier terms" words="supplier terms" wide invalid={under('/supplier')}>
          {() => <SupplierPart draft={draft} currency={choices.currency} onChange={onChange} />}
        </Part>
        <Part name="Words for shoppers" words="words and notes" invalid={under('/label', '/badge', '/notes')}>
          {() => <WordsPart draft={draft} onChange={onChange} />}
        </Part>
      </p>
    </div>
  );
}
