import type Joi from 'joi';
import { DIALECT, type DocumentName, type JsonSchema, jsonSchemaOf } from '../../contracts/json-schema.ts';
import type { EndpointTold } from '../endpoint.ts';
import { PROBLEM_TYPE } from '../http/problem.ts';
import { BASE } from './address.ts';
import { GROUPS, OPERATIONS, type Operation } from './operations.ts';

export const schemaAddress = (name: DocumentName): string => `${BASE}/schemas/${name}.json`;

/** How one operation is asked, as its endpoint says. */
export type ToldOperations = Readonly<
  Record<string, EndpointTold & { readonly heavySchema: Joi.Schema | null }>
>;

/** The published interface as OpenAPI 3.1. @param told by method and address, as {@link OPERATIONS}. */
export function openApi(
  told: ToldOperations,
  { origin, version }: { origin: string; version: string },
): JsonSchema {
  const paths: Record<string, Record<string, unknown>> = {};
  for (const [name, operation] of Object.entries(OPERATIONS)) {
    const [method = '', path = ''] = name.split(' ');
    paths[path] = { ...paths[path], [method.toLowerCase()]: operationOf(path, operation, told[name]!) };
  }
  return {
    openapi: '3.1.0',
    jsonSchemaDialect: DIALECT,
    info: {
      ...{ title: 'Bell Tag', version },
      description: 'Prices, promotions and price files of a chain. Errors are problem details (RFC 9457).',
    },
    servers: [{ url: origin + BASE }],
    tags: Object.entries(GROUPS).map(([name, description]) => ({ name, description })),
    security: [{ key: [] }],
    paths,
    components: {
      securitySchemes: {
        key: { type: 'http', scheme: 'bearer', description: 'A key, made by an administrator under People.' },
      },
      schemas: { Problem: PROBLEM },
    },
  };
}

function operationOf(path: string, operation: Operation, told: ToldOperations[string]): JsonSchema {
  const { does, answers, group, created, bringsType, brings } = operation;
  const schema = told.schema ?? told.heavySchema;
  const said = schema ? (withDocuments(jsonSchemaOf(schema)) as JsonSchema) : null;
  const query = told.from === 'query' ? said : null;
  const body = told.from === 'body' ? bodyOf(operation, said) : null;
  return {
    ...{ summary: does, tags: [group], 'x-needs': told.permission },
    parameters: [...inPath(path), ...inQuery(query), ...asked(operation), ...heeded(operation)],
    ...(body ? { requestBody: { required: true, content: body } } : {}),
    responses: {
      [created ? '201' : '200']: {
        description: answers,
        content: {
          [bringsType ?? 'application/json']: brings ? { schema: { $ref: schemaAddress(brings) } } : {},
        },
      },
      default: {
        description: 'Why it was not done.',
        content: { [PROBLEM_TYPE.split(';')[0]!]: { schema: { $ref: '#/components/schemas/Problem' } } },
      },
    },
  };
}

function bodyOf({ sends, sendsType }: Operation, said: JsonSchema | null): JsonSchema | null {
  if (sends) return { 'application/json': { schema: { $ref: schemaAddress(sends) } } };
  if (sendsType) return { [sendsType]: {} };
  return said && { 'application/json': { schema: said } };
}

/** What is tested by a schema of its own, wherever it stands. */
function withDocuments(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(withDocuments);
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(
    Object.entries(value).map(([key, one]) => [
      key,
      key === 'promotion' ? { $ref: schemaAddress('promotion') } : withDocuments(one),
    ]),
  );
}

const inPath = (path: string) =>
  [...path.matchAll(/\{(\w+)\}/g)].map(([, name]) => ({
    ...{ name, in: 'path', required: true, schema: { type: 'string' } },
  }));

function inQuery(schema: JsonSchema | null) {
  const required = (schema?.required ?? []) as readonly string[];
  return Object.entries((schema?.properties ?? {}) as JsonSchema).map(([name, one]) => ({
    ...{ name, in: 'query', required: required.includes(name), schema: one },
  }));
}

const asked = ({ asks = {} }: Operation) =>
  Object.entries(asks).map(([name, description]) => ({
    ...{ name, in: 'query', required: false, description, schema: { type: 'string' } },
  }));

const HEADERS = {
  'If-Match': 'What is saved is saved only as long as this version stands; else 412.',
  'Idempotency-Key':
    'Of your own making, new for each thing that you do: asked again with it, nothing is done twice.',
} as const;

const heeded = ({ heeds = [] }: Operation) =>
  heeds.map((name) => ({
    ...{ name, in: 'header', required: false, description: HEADERS[name], schema: { type: 'string' } },
  }));

const PROBLEM = {
  type: 'object',
  required: ['type', 'title', 'status', 'detail'],
  properties: {
    type: { type: 'string', description: 'Which kind of trouble, by name.' },
    title: { type: 'string' },
    status: { type: 'integer' },
    detail: { type: 'string', description: 'What is wrong, for a person.' },
    faults: {
      type: 'array',
      description: 'What is wrong in what was sent, place by place.',
      items: {
        type: 'object',
        required: ['path', 'message'],
        properties: { path: { type: 'string', description: 'JSON Pointer' }, message: { type: 'string' } },
      },
    },
  },
} as const;
