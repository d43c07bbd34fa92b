import type { Choices, LensView } from '../../contracts/view/index.ts';
import type { PriceChangeDocument, WorksheetDocument } from '../../core/plan/index.ts';
import type { SheetOutcome } from '../draft/outcome.ts';
import type { Repricing, SheetFrame } from './use-worksheet.ts';

export interface WorksheetProps {
  readonly frame: SheetFrame;
  readonly sheet: WorksheetDocument;
  /** The prices that were saved; null: the sheet is new. */
  readonly saved: Pick<PriceChangeDocument, 'linePrices' | 'linePricesIn'> | null;
  readonly choices: Choices;
  readonly view: LensView;
  readonly locked: boolean;
  /** What files of it are called. */
  readonly fileName: string;
  /** The sheet sets regular prices; absent: it is a price change. */
  readonly repricing?: Repricing;
  readonly onChange: (sheet: WorksheetDocument) => void;
  /** The prices that the sheet comes to, whenever they changed by the person's doing. */
  readonly onPrices: (outcome: SheetOutcome) => void;
  /** The supplier's costs by item, typed into the sheet; absent: the costs stand as they are. */
  readonly onCosts?: (costs: Record<string, string>) => void;
}
