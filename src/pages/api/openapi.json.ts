import { endpoint, json, publishedInterface } from '../../server/index.ts';

const files = import.meta.glob('/src/pages/api/**/*.ts');

/** The published interface as OpenAPI 3.1. */
export const GET = endpoint({ permission: 'see' }, async ({ app }) =>
  json(await publishedInterface(files, app.environment.origin)),
);
