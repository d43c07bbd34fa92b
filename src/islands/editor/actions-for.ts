import type { PromotionStep } from '../../contracts/index.ts';
import type { PromotionDocument } from '../../core/plan/index.ts';
import type { Opened } from './desk.ts';

type Status = PromotionDocument['status'];

/** What may be saved of a draft, under which status. */
export interface Action {
  readonly words: string;
  readonly status: Status;
  readonly done: string;
  readonly main: boolean;
}

/** A step on the way to approval. */
export interface StepAction {
  readonly words: string;
  readonly step: PromotionStep;
  readonly done: string;
  readonly main: boolean;
}

/** What may be saved of the draft, or made of the promotion. The one thing to do next is the main action. */
export function actionsFor(
  status: Status,
  { dirty, isNew, plans, approves }: { dirty: boolean; isNew: boolean; plans: boolean; approves: boolean },
  kept: Opened | null,
): Action[] {
  if (!plans) return [];
  const standing = status === 'approved' || status === 'paused';
  // Whoever may approve their own saves and approves in one go.
  const alone = approves && kept !== null && !kept.rules.another;
  const save: Action = { words: 'Save', status, done: 'Saved.', main: !alone || standing };
  const saves = dirty || isNew ? [save] : [];
  const approve: Action[] =
    alone && dirty && !standing
      ? [{ words: 'Save and approve', status: 'approved', done: APPROVED, main: true }]
      : [];
  if (status === 'approved')
    return [
      ...saves,
      {
        words: 'Pause',
        status: 'paused',
        done: 'Paused. The tills stop it with the next sending.',
        main: false,
      },
    ];
  if (status === 'paused')
    return [
      ...saves,
      {
        words: 'Resume',
        status: 'approved',
        done: 'Resumed. It goes to the tills with the next sending.',
        main: !dirty,
      },
      { words: 'Put away', status: 'archived', done: 'Put away.', main: false },
    ];
  const putAway: Action = { words: 'Put away', status: 'archived', done: 'Put away.', main: false };
  return [
    ...approve,
    ...saves,
    ...(isNew || status === 'archived' ? [] : [putAway]),
    ...(status === 'archived'
      ? [{ words: 'Take out again', status: 'draft' as const, done: 'A draft again.', main: false }]
      : []),
  ];
}

const APPROVED = 'Approved. It goes to the tills with the next sending.';

/** The steps to approval that a person may take of what is saved. */
export function stepsFor(
  kept: Opened | null,
  { dirty, plans, approves }: { dirty: boolean; plans: boolean; approves: boolean },
): StepAction[] {
  if (!kept || dirty || !plans) return [];
  const { waiting, change, promotion, rules } = kept;
  const open = change !== null || promotion.status === 'draft';
  if (!open) return [];
  const submitted = waiting?.state === 'submitted';
  const approve: StepAction = { words: 'Approve', step: 'approve', done: APPROVED, main: true };
  const steps: StepAction[] = [];
  if (approves && waiting?.first !== 'you' && (submitted || !rules.another)) steps.push(approve);
  if (!submitted)
    steps.push({
      words: 'Submit for approval',
      step: 'submit',
      done: 'Submitted. Whoever approves finds it on Today.',
      main: steps.length === 0,
    });
  else steps.push({ words: 'Take it back', step: 'take-back', done: 'Not submitted any more.', main: false });
  if (change)
    steps.push({
      words: 'Drop the change',
      step: 'drop',
      done: 'Dropped. What stands goes on.',
      main: false,
    });
  return steps;
}
