import type { Role } from '../../contracts/view/index.ts';

export const ROLE_WORDS: Readonly<Record<Role, string>> = {
  viewer: 'viewer',
  store: 'store',
  planner: 'planner',
  approver: 'approver',
  administrator: 'administrator',
};
