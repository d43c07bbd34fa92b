import toJsonSchema from 'joi-to-json';
import { planSchema } from '../../src/contracts/index.ts';

/** The JSON Schema (2019-09) of a plan document, made from the schema that the application tests plans with. */
export function jsonSchemaOfPlan(): Record<string, unknown> {
  const { $defs, ...rest } = toJsonSchema(planSchema, 'json-draft-2019-09') as Record<string, unknown>;
  dropFallback(rest);
  return {
    $schema: 'https://json-schema.org/draft/2019-09/schema',
    title: 'Bell Tag plan document, version 1',
    ...rest,
    $defs,
  };
}

/** The application's last choice of an offer only tells that a kind is unknown; here it would let anything pass. */
function dropFallback(schema: Record<string, unknown>): void {
  const { offer } = (schema as unknown as { properties: Properties }).properties.promotions.items.properties;
  offer.anyOf = offer.anyOf.filter((choice) => choice.additionalProperties === false);
}

interface Properties {
  promotions: { items: { properties: { offer: { anyOf: { additionalProperties?: boolean }[] } } } };
}
