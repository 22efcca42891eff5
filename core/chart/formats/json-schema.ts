import * as z from 'zod';
import { CHART_FORMAT, chartShapeSchema } from '../chart-shape';

/**
 * The JSON Schema of a chart file, as text: what a file may hold before its parts are held
 * together (`faultsOfSheet` does that).
 */
export function chartJsonSchema(): string {
  const schema = z.toJSONSchema(chartShapeSchema, { io: 'input', unrepresentable: 'any' });
  const published = { ...schema, title: `A size chart, ${CHART_FORMAT}` };
  return `${JSON.stringify(published, null, 2)}\n`;
}
