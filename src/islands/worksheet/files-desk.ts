import type { SheetPlace } from '../../core/worksheet/index.ts';
import type { Refusal } from '../server/index.ts';

/** A line of a file; `place` null: wherever the item is sold. */
export interface FileLine {
  readonly sku: string;
  readonly place: SheetPlace | null;
  readonly price: string;
}

/** A line that says another price than stands, with both in words. */
export interface Differing {
  readonly line: FileLine;
  readonly words: string;
}

export interface LineAtFault {
  readonly line: number;
  readonly message: string;
}

/** What came of the file that was brought in last. */
export interface FilesDesk {
  readonly said: readonly string[];
  /** Lines that can be taken. */
  readonly offered: readonly Differing[];
}

export type FilesEvent =
  | { readonly type: 'read'; readonly lines: number; readonly differing: readonly Differing[] }
  | { readonly type: 'at-fault'; readonly refused: readonly LineAtFault[] }
  | { readonly type: 'refused'; readonly refusal: Refusal }
  | { readonly type: 'taken' | 'left' };

export const FILES: FilesDesk = { said: [], offered: [] };
const FAULTS_TOLD = 10;

export function filesAfter(desk: FilesDesk, event: FilesEvent): FilesDesk {
  switch (event.type) {
    case 'read': {
      const { lines, differing } = event;
      const words =
        differing.length === 0
          ? `Its ${lines} lines say what stands here already.`
          : `${differing.length} of its ${lines} lines say another price:`;
      return { said: [words], offered: differing };
    }
    case 'at-fault':
      return { said: faultWords(event.refused), offered: [] };
    case 'refused':
      return {
        ...desk,
        said: [event.refusal.message, ...event.refusal.faults.map(({ message }) => message)],
      };
    case 'taken': {
      const words = `${desk.offered.length} prices stand by hand now; the passes make the others.`;
      return { said: [words], offered: [] };
    }
    case 'left':
      return FILES;
  }
}

function faultWords(refused: readonly LineAtFault[]): string[] {
  const rest = refused.length - FAULTS_TOLD;
  return [
    'Nothing was brought in; these lines of the file are at fault:',
    ...refused.slice(0, FAULTS_TOLD).map(({ line, message }) => `line ${line}: ${message}`),
    ...(rest > 0 ? [`and ${rest} more`] : []),
  ];
}
