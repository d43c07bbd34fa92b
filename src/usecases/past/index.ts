export { asHeld } from './as-held.ts';
export * from './look-at-rung.ts';
export * from './look-at-trail.ts';
