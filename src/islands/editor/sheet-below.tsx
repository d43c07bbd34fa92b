import type { Choices, LensView } from '../../contracts/view/index.ts';
import { isPriceChange } from '../../core/plan/index.ts';
import { idFor, isDeal, sheetOf } from '../draft/draft.ts';
import { Worksheet } from '../worksheet/index.ts';
import { type Opened, written } from './desk.ts';
import type { DeskActions } from './use-desk.ts';

/** The worksheet by which a price change is made, under its sentence. */
export function SheetBelow({
  at: { desk, onSheet, onPrices, onCosts },
  choices,
  view,
  locked,
}: {
  at: DeskActions;
  choices: Choices;
  view: LensView;
  locked: boolean;
}) {
  const { draft, kept } = desk;
  const sheet = sheetOf(draft);
  if (!sheet || isDeal(draft)) return null;
  return (
    <div className="min-w-0 xl:col-span-2">
      <Worksheet
        frame={draft}
        sheet={sheet}
        saved={savedPrices(kept)}
        choices={choices}
        view={view}
        locked={locked}
        fileName={idFor(draft.name || 'worksheet', 'lines')}
        onChange={onSheet}
        onPrices={onPrices}
        onCosts={onCosts}
      />
    </div>
  );
}

/** The prices of the worksheet that was saved; null where there is none. */
const savedPrices = (kept: Opened | null) => {
  const promotion = kept && written(kept);
  return promotion && isPriceChange(promotion) && promotion.offer.worksheet ? promotion.offer : null;
};
