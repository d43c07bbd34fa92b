export * from './look-at-rung.ts';
export * from './look-at-trail.ts';
