// Writes docs/chart.schema.json: the JSON Schema of a chart file, from the schema the program reads it with.
// Run with: node --import tsx tools/make-chart-schema.mjs
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { chartJsonSchema } from '../core/chart/formats/json-schema.ts';
import { ROOT } from './lib/paths.mjs';

writeFileSync(join(ROOT, 'docs', 'chart.schema.json'), chartJsonSchema());
