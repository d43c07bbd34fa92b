import type { BringInView } from '../../contracts/index.ts';

type Fault = BringInView['faults'][number];

export interface LineFault {
  readonly line: number;
  readonly column: string;
  readonly message: string;
}

/** As many further lines are named beside the first. */
const LINES_NAMED = 5;

/** Quoted texts and figures are what one line has and the next has not. */
const shapeOf = ({ column, message }: LineFault): string =>
  `${column}\n${message.replaceAll(/"[^"]*"|\d[\d.,]*/g, '…')}`;

/** Faults of the same column that say the same, but for the texts and figures that they name, as one with a count. */
export function likeFaults(faults: readonly LineFault[]): Fault[] {
  const groups = new Map<string, LineFault[]>();
  for (const fault of faults.toSorted((a, b) => a.line - b.line)) {
    const shape = shapeOf(fault);
    const group = groups.get(shape);
    if (group) group.push(fault);
    else groups.set(shape, [fault]);
  }
  return [...groups.values()].map(([first, ...more]) => ({
    ...first!,
    count: more.length + 1,
    moreLines: more.slice(0, LINES_NAMED).map(({ line }) => line),
  }));
}
