import { type LeftOut } from './left-out';

/**
 * How much is left out, in words; empty where nothing is.
 *
 * @example sayLeftOut({ columns: [{ heading: 'Colour', sample: 'red', twin: false }], lines: [] }) // '1 column left out'
 */
export function sayLeftOut({ columns, lines }: LeftOut): string {
  const count = (many: number, one: string) => (many === 0 ? [] : [`${many} ${one}${many === 1 ? '' : 's'}`]);
  const all = [...count(columns.length, 'column'), ...count(lines.length, 'line')];
  return all.length === 0 ? '' : `${all.join(' and ')} left out`;
}
