import type { Role } from './view/index.ts';

/** Made-up people of the demo chain; they exist only where the demo was loaded. */
export const DEMO_PASSWORD = 'quillmere-demo';
export const DEMO_PEOPLE: readonly {
  name: string;
  email: string;
  role: Role;
  does: string;
  stores?: readonly string[];
  /** Whether costs and margins are shown; yes where it is not said. */
  costs?: boolean;
}[] = [
  { name: 'Ines Calloway', email: 'ines@quillmere.example', role: 'planner', does: 'plans prices' },
  { name: 'Rufus Tamsin', email: 'rufus@quillmere.example', role: 'approver', does: 'approves and sends' },
  { name: 'Odile Marchbank', email: 'odile@quillmere.example', role: 'viewer', does: 'looks only' },
  {
    name: 'Tove Harrow',
    email: 'tove@quillmere.example',
    role: 'store',
    does: 'runs Aldermouth Market',
    stores: ['s001'],
    costs: false,
  },
  { name: 'Basil Wyndle', email: 'basil@quillmere.example', role: 'administrator', does: 'runs Bell Tag' },
];
