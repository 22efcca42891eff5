// Writes the JSON Schemas in docs/, each from the schema the program reads by: chart files, orders, and what makers answer.
// Run with: node --import tsx tools/make/chart-schema.mjs
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { chartJsonSchema } from '../../core/chart/formats/json-schema.ts';
import { orderJsonSchemas } from '../../core/stock/order-sheet.ts';
import { ROOT } from '../lib/paths.mjs';

const { order, answer } = orderJsonSchemas();
writeFileSync(join(ROOT, 'docs', 'chart.schema.json'), chartJsonSchema());
writeFileSync(join(ROOT, 'docs', 'order.schema.json'), order);
writeFileSync(join(ROOT, 'docs', 'order-answer.schema.json'), answer);
