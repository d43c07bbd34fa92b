/** The places of the application, in the order of the work. */
export const PLACES = [
  { id: 'today', name: 'Today', path: '/today', answers: 'What starts, what ends, what waits for you' },
  { id: 'plan', name: 'Plan', path: '/plan', answers: 'Every promotion, and what it does' },
  {
    id: 'check',
    name: 'Check',
    path: '/check',
    answers: 'All prices, one price and why, a trial basket, findings',
  },
  { id: 'send', name: 'Send', path: '/send', answers: 'What goes out, what each terminal holds' },
  { id: 'stockroom', name: 'Stockroom', path: '/stockroom', answers: 'Goods, stores, the plan as a file' },
] as const;
export type Place = (typeof PLACES)[number]['id'];
