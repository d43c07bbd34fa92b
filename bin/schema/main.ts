import { writeFileSync } from 'node:fs';
import { documentSchema } from '../../src/contracts/json-schema.ts';

writeFileSync('docs/plan.schema.json', `${JSON.stringify(documentSchema('plan'), null, 2)}\n`);
