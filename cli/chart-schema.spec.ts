import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { chartJsonSchema } from '../core/chart/formats/json-schema';
import { orderJsonSchemas } from '../core/stock/order-sheet';

describe('the JSON Schemas in docs', () => {
  const published = (name: string): unknown =>
    JSON.parse(readFileSync(join(process.cwd(), 'docs', name), 'utf8'));

  it('are those that files are read with; tools/make/chart-schema.mjs writes them anew', () => {
    expect(published('chart.schema.json')).toEqual(JSON.parse(chartJsonSchema()));
    const { order, answer } = orderJsonSchemas();
    expect(published('order.schema.json')).toEqual(JSON.parse(order));
    expect(published('order-answer.schema.json')).toEqual(JSON.parse(answer));
  });
});
