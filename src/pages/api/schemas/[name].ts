import { endpoint, failureReply, json, publishedSchema } from '../../../server/index.ts';

/** The JSON Schema of a document, under the address that is its `$id`. */
export const GET = endpoint({ permission: 'see' }, async ({ app, params: { name = '' } }) => {
  const schema = publishedSchema(name, app.environment.origin);
  return schema
    ? json(schema, 200, { 'content-type': 'application/schema+json; charset=utf-8' })
    : failureReply({ kind: 'not-found', what: `schema ${name}` });
});
