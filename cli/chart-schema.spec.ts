import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { chartJsonSchema } from '../core/chart/formats/json-schema';

describe('docs/chart.schema.json', () => {
  it('is the schema that chart files are read with; tools/make-chart-schema.mjs writes it anew', () => {
    const published: unknown = JSON.parse(
      readFileSync(join(process.cwd(), 'docs', 'chart.schema.json'), 'utf8'),
    );
    expect(published).toEqual(JSON.parse(chartJsonSchema()));
  });
});
