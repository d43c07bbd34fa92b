import { writeFileSync } from 'node:fs';
import { jsonSchemaOfPlan } from './json-schema.ts';

writeFileSync('docs/plan.schema.json', `${JSON.stringify(jsonSchemaOfPlan(), null, 2)}\n`);
