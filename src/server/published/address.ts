/** Where version 1 of the published interface stands. */
export const BASE = '/api/v1';
