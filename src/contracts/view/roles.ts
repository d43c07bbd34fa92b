/** What each role may do. Data: the sign-in knows only the name of a person's role. */
export const PERMISSIONS = ['see', 'hang', 'plan', 'approve', 'send', 'administer'] as const;
export type Permission = (typeof PERMISSIONS)[number];

export const ROLES = {
  viewer: ['see'],
  store: ['see', 'hang'],
  planner: ['see', 'hang', 'plan'],
  approver: ['see', 'hang', 'plan', 'approve', 'send'],
  administrator: ['see', 'hang', 'plan', 'approve', 'send', 'administer'],
} as const satisfies Record<string, readonly Permission[]>;
export type Role = keyof typeof ROLES;

export interface Person {
  readonly id: string;
  readonly name: string;
  readonly email: string;
  readonly role: Role;
  /** Whether costs, margins and supplier terms are shown to them. */
  readonly costs: boolean;
  /** For the role `store`: the stores they see. Null: all. */
  readonly stores: readonly string[] | null;
  /** Ids of the departments whose goods, and no others, they may change; absent: all. */
  readonly goods?: readonly string[];
  /** Of a program that is known by a key: what it may do of what its role may. */
  readonly scopes?: readonly Permission[];
  /** BCP 47 tag: in which language they read dates and numbers. Without it as the house writes. */
  readonly language?: string;
}

export const roleMay = (role: Role, permission: Permission): boolean =>
  (ROLES[role] as readonly Permission[]).includes(permission);

export const may = ({ role, scopes }: Person, permission: Permission): boolean =>
  roleMay(role, permission) && (scopes === undefined || scopes.includes(permission));

/** What a key may be given. To look after people, keys and the chain is for people. */
export const KEY_SCOPES = ['see', 'plan', 'approve', 'send'] as const satisfies readonly Permission[];
export type KeyScope = (typeof KEY_SCOPES)[number];

export const sees = (person: Pick<Person, 'stores'>, store: string): boolean =>
  person.stores === null || person.stores.includes(store);
