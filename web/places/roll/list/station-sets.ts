import { PARTS, type Part } from '@neat-measure/core/muster';

/** Stations that are opened together. */
export interface StationSet {
  readonly name: string;
  readonly about: string;
  readonly stations: readonly { readonly name: string; readonly parts: readonly Part[] }[];
}

/** What a muster can begin with; every part of the work is done somewhere in each of them. */
export const STATION_SETS: readonly StationSet[] = [
  {
    name: 'One bench',
    about: 'One fitter does everything for a wearer.',
    stations: [{ name: 'Bench', parts: PARTS }],
  },
  {
    name: 'Tape and counter',
    about: 'One measures and decides, one hands over.',
    stations: [
      { name: 'Tape', parts: ['girths', 'lengths', 'head', 'hands', 'feet', 'deciding'] },
      { name: 'Counter', parts: ['trying', 'handing'] },
    ],
  },
  {
    name: 'Hall',
    about: 'Two tapes, a place for feet, hands and heads, one for trying on, and a counter.',
    stations: [
      { name: 'Girths 1', parts: ['girths', 'lengths'] },
      { name: 'Girths 2', parts: ['girths', 'lengths'] },
      { name: 'Feet, hands, heads', parts: ['head', 'hands', 'feet'] },
      { name: 'Trying on', parts: ['deciding', 'trying'] },
      { name: 'Handing over', parts: ['deciding', 'handing'] },
    ],
  },
];
