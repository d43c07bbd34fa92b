import { DOCUMENT_NAMES, documentSchema, type JsonSchema } from '../../contracts/json-schema.ts';
import { openApi, schemaAddress } from './openapi.ts';
import { toldOperations } from './told.ts';

export { BASE } from './address.ts';
export { GROUPS, OPERATIONS } from './operations.ts';
export { publishedMethods } from './told.ts';

const VERSION = '1';
let made: Promise<JsonSchema> | null = null;

/** The published interface; made once. @param files the endpoints by file, each loaded when it is called. */
export function publishedInterface(
  files: Readonly<Record<string, () => Promise<unknown>>>,
  origin: string,
): Promise<JsonSchema> {
  made ??= toldOperations(files).then((told) => openApi(told, { origin, version: VERSION }));
  return made;
}

/** @param file "plan.json"; null where there is no such document. */
export function publishedSchema(file: string, origin: string): JsonSchema | null {
  const name = DOCUMENT_NAMES.find((one) => `${one}.json` === file);
  return name ? documentSchema(name, origin + schemaAddress(name)) : null;
}
