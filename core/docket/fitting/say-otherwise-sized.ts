import { type OtherwiseSized } from './looks';

/**
 * "The chart says M; worn by 23, it runs small: L fits 6 in 10 like this wearer."
 *
 * @example sayOtherwiseSized({ says: 'M', runs: { label: 'L', chance: 0.62 }, by: [{ wearers: 23, small: cm(2), runs: 'small', name: 'Chest' }] }) // 'The chart says M; as worn by 23, it runs small in the chest: L fits 6 of 10 wearers like this one.'
 */
export function sayOtherwiseSized({ says, runs, by }: OtherwiseSized): string {
  const wearers = Math.max(...by.map((one) => one.wearers));
  const [first] = [...by].sort((one, other) => Math.abs(other.small) - Math.abs(one.small));
  const tenths = Math.min(10, Math.max(1, Math.round(runs.chance * 10)));
  return `The chart says ${says ?? 'no size'}; as worn by ${wearers}, it runs ${first!.runs} in the ${first!.name.toLowerCase()}: ${runs.label} fits ${tenths} of 10 wearers like this one.`;
}
