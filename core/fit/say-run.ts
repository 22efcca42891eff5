import { formatLength, formatNumber, type ShownLength, plainUnit } from '../quantity/format-length';
import { micrometres, type Length } from '../quantity/length';
import { type ChartRun } from './chart-runs';

/**
 * "runs 1.4 cm small in the chest (0.6 to 2.2 cm), from 23 wearers".
 *
 * @example sayRun({ foot: false, runs: 'small', small: cm(2.2), least: cm(0.5), most: cm(4), wearers: 16, name: 'Chest' }, 'cm') // 'runs 2.2 cm small in the chest (0.5 to 4 cm), from 16 wearers'
 */
export function sayRun(run: ChartRun, reader: ShownLength): string {
  const unit = run.foot ? 'mm' : reader;
  const from = `from ${run.wearers} ${run.wearers === 1 ? 'wearer' : 'wearers'}`;
  const where = `in the ${run.name.toLowerCase()}`;
  const rounded = (length: Length) => micrometres(Math.round(length / 1_000) * 1_000);
  if (run.runs === 'no-sign') {
    const range = `${signed(rounded(run.least), unit)} to ${signed(rounded(run.most), unit)} ${plainUnit(unit)} small`;
    return `no sign that it runs small or large ${where} (${range}), ${from}`;
  }
  const [by, near, far] =
    run.runs === 'small'
      ? [run.small, run.least, run.most]
      : [micrometres(-run.small), micrometres(-run.most), micrometres(-run.least)];
  const range = `${formatNumber(rounded(near), unit)} to ${formatLength(rounded(far), unit)}`;
  return `runs ${formatLength(rounded(by), unit)} ${run.runs} ${where} (${range}), ${from}`;
}

function signed(length: Length, unit: ShownLength): string {
  return length < 0 ? `−${formatNumber(micrometres(-length), unit)}` : formatNumber(length, unit);
}
