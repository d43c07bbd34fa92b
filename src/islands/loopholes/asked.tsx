import { ChoiceRow } from '../../ui/pieces/index.ts';
import { saidCount } from '../../ui/writing/index.ts';
import { type LoopholesDesk, type LoopholesEvent, MOST_CODES, SIZES } from './desk.ts';

/** How large a basket may be, and which codes its shopper may hold. */
export function Asked({
  desk,
  tell,
  codes,
}: {
  desk: LoopholesDesk;
  tell: (event: LoopholesEvent) => void;
  codes: readonly string[];
}) {
  return (
    <div className="mt-4 flex flex-wrap items-center gap-x-6 gap-y-2">
      <div className="flex items-center gap-x-2">
        <span className="text-sm" aria-hidden="true">
          Units in a basket, at most
        </span>
        <ChoiceRow
          name="Units in a basket, at most"
          choices={SIZES.map((value) => ({ value, words: saidCount(value) }))}
          chosen={desk.units}
          onChoose={(units) => tell({ type: 'sized', units })}
        />
      </div>
      {codes.length > 0 ? (
        <fieldset className="flex flex-wrap items-center gap-x-4 gap-y-1 text-sm">
          <legend className="sr-only">Codes that the shopper may hold</legend>
          <span aria-hidden="true">With a code</span>
          {codes.map((code) => (
            <label key={code} className="flex items-center gap-x-2">
              <input
                type="checkbox"
                className="checkbox checkbox-sm"
                checked={desk.codes.includes(code)}
                disabled={!desk.codes.includes(code) && desk.codes.length >= MOST_CODES}
                onChange={(event) => tell({ type: 'code', code, held: event.target.checked })}
              />
              {code}
            </label>
          ))}
        </fieldset>
      ) : null}
    </div>
  );
}
