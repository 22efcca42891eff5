import { sceneOf, type Drawn } from './scene';

/**
 * The figure with the tape where a measurement wants it, as a whole SVG for print: ink on paper, no screen colours.
 *
 * @example drawSvg({ code: 'chest-girth' }).startsWith('<svg') // true
 */
export function drawSvg(drawn: Drawn): string {
  const { viewBox, outlines, lines, cord, tape, marks } = sceneOf(drawn);
  const dot = ({ at: [x, y], now }: (typeof marks)[number]) =>
    `<circle cx="${x}" cy="${y}" r="${now ? 6 : 4.5}" fill="${now ? '#1E2A2B' : '#FFFFFF'}" stroke="#1E2A2B" stroke-width="2"/>`;
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="${viewBox}">`,
    ...outlines.map((path) => `<path d="${path}" fill="#EAE6DA" stroke="#8D887A" stroke-width="2"/>`),
    ...lines.map((path) => `<path d="${path}" fill="none" stroke="#B9B3A2" stroke-width="2"/>`),
    ...(cord === null ? [] : [`<path d="${cord}" fill="none" stroke="#1E2A2B" stroke-width="3"/>`]),
    ...(tape === null
      ? []
      : [
          `<path d="${tape}" fill="none" stroke="#1E2A2B" stroke-width="10"/>`,
          `<path d="${tape}" fill="none" stroke="#F2C230" stroke-width="6"/>`,
        ]),
    ...marks.map(dot),
    '</svg>',
  ].join('');
}
