import { heavyEndpoint, KB } from '../../../../server/index.ts';

/** Gives somebody a card that they hold, or draws the number of one: it is in this answer alone. */
export const POST = heavyEndpoint('give-card', { permission: 'plan', most: 2 * KB });

/** Their cards are nobody's from now on. */
export const DELETE = heavyEndpoint('take-cards', { permission: 'plan' });
