/** Why a job has no answer. */
export type Unanswered = 'full' | 'person-full' | 'took-too-long' | 'died' | 'nobody-waits';
export class NotAnswered extends Error {
  constructor(readonly why: Unanswered) {
    super(`a heavy question was not answered: ${why}`);
  }
}
