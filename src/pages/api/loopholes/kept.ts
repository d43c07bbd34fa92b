import { heavyEndpoint } from '../../../server/index.ts';

/** The baskets that lose money in what is approved, searched for once the plan rests. */
export const GET = heavyEndpoint('kept-loopholes', { permission: 'see' });
