import type { KeyScope, Role } from '../../contracts/view/index.ts';

export const ROLE_WORDS: Readonly<Record<Role, string>> = {
  viewer: 'viewer',
  store: 'store',
  planner: 'planner',
  approver: 'approver',
  administrator: 'administrator',
};

/** What somebody of a role may do. */
export const ROLE_DOES: Readonly<Record<Role, string>> = {
  viewer: 'looks at everything and changes nothing',
  store: 'looks at the prices and terminals of some stores, and hangs their shelf tags',
  planner: 'writes promotions and keeps the stockroom',
  approver: 'also approves what others wrote, and sends it to the terminals',
  administrator: 'also looks after people, terminals and how the chain works',
};

/** What a key lets another program do. */
export const SCOPE_WORDS: Readonly<Record<KeyScope, string>> = {
  see: 'looks',
  plan: 'plans',
  approve: 'approves',
  send: 'sends',
};
