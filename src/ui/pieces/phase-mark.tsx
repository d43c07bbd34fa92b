import type { Phase } from '../phase.ts';
import { PHASE_SHAPES, PHASE_WORDS } from '../words/phase.ts';

export function PhaseMark({ phase }: { phase: Phase }) {
  return <span className={`state ${PHASE_SHAPES[phase]}`}>{PHASE_WORDS[phase]}</span>;
}
