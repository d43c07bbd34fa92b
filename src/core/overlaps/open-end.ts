import type { Finding } from './finding.ts';
import { type Looked, type Scope, wholeOf } from './scope.ts';

/** `open-end`: nothing says when it ends. */
export function openEnd(scope: Scope, looked: Looked): Finding[] {
  const { id, when } = looked.promotion;
  if (when.to !== null) return [];
  return [{ code: 'open-end', promotions: [id], ...wholeOf(scope, looked) }];
}
