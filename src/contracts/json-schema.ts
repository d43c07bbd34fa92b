import type Joi from 'joi';
import toJsonSchema from 'joi-to-json';
import { basketSchema } from './basket-document.ts';
import { planSchema, promotionSchema } from './plan-document.ts';

export type JsonSchema = { readonly [key: string]: unknown };

/** How the schemas are written. */
export const DIALECT = 'https://json-schema.org/draft/2020-12/schema';

/** Documents that have a schema of their own. */
const DOCUMENTS = {
  plan: { title: 'Bell Tag plan document, version 1', schema: planSchema },
  promotion: { title: 'A promotion of a Bell Tag plan document', schema: promotionSchema },
  basket: { title: 'Bell Tag basket document, version 1', schema: basketSchema },
} as const;
export type DocumentName = keyof typeof DOCUMENTS;
export const DOCUMENT_NAMES = Object.keys(DOCUMENTS) as DocumentName[];

/** The JSON Schema of a document, made from the schema that the application tests it with. @param id its address. */
export function documentSchema(name: DocumentName, id?: string): JsonSchema {
  const { title, schema } = DOCUMENTS[name];
  return { $schema: DIALECT, ...(id === undefined ? {} : { $id: id }), title, ...jsonSchemaOf(schema) };
}

/** The JSON Schema of what is tested by a Joi schema; what it refers to stands in its `$defs`. */
export function jsonSchemaOf(schema: Joi.Schema): JsonSchema {
  const { schemas, ...rest } = toJsonSchema(schema as Joi.ObjectSchema, 'open-api-3.1') as JsonSchema;
  const whole = { ...rest, ...(schemas ? { $defs: schemas } : {}) };
  const text = JSON.stringify(whole).replaceAll('"#/components/schemas/', '"#/$defs/');
  return tidied(JSON.parse(text)) as JsonSchema;
}

/** What the converter says too much: a type beside a list of values, the pattern of names as if it were a name. */
function tidied(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(tidied);
  if (typeof value !== 'object' || value === null) return value;
  const { type, properties, anyOf, ...rest } = value as Record<string, unknown>;
  return {
    ...(type === undefined || rest.enum !== undefined ? {} : { type }),
    ...(properties === undefined ? {} : { properties: ofNames(properties as object) }),
    ...(anyOf === undefined ? {} : { anyOf: ofKnownKinds(anyOf as JsonSchema[]).map(tidied) }),
    ...Object.fromEntries(Object.entries(rest).map(([key, one]) => [key, tidied(one)])),
  };
}

const ofNames = (properties: object): object =>
  Object.fromEntries(
    Object.entries(properties)
      .filter(([name]) => !/^\/.*\/$/.test(name))
      .map(([name, one]) => [name, tidied(one)]),
  );

/** The last of several kinds only tells that a kind is unknown; here it would let anything pass. */
function ofKnownKinds(choices: readonly JsonSchema[]): readonly JsonSchema[] {
  const isKind = ({ properties }: JsonSchema) => (properties as JsonSchema | undefined)?.kind !== undefined;
  return choices.every(isKind)
    ? choices.filter(({ additionalProperties }) => additionalProperties === false)
    : choices;
}
