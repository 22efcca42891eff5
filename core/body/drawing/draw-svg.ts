import type { MeasurementCode } from '../catalogue/codes';
import { DRAWINGS, smoothPath, straightPath, type View } from './figure';
import { TAPE_PATHS } from './tape-paths';

/** Views whose lines are of straight things. */
const STRAIGHT: readonly View[] = ['feet'];

/** The lines of a view as SVG path data: what the screen's figure and the printed one are drawn from. */
export function drawnView(view: View): { readonly outlines: string[]; readonly lines: string[] } {
  const { outlines, lines } = DRAWINGS[view];
  return {
    outlines: outlines.map((points) => smoothPath(points, true)),
    lines: lines.map((points) => (STRAIGHT.includes(view) ? straightPath(points) : smoothPath(points))),
  };
}

/** The figure with the tape where a measurement wants it, as a whole SVG for print: ink on paper, no screen colours. */
export function drawSvg(code: MeasurementCode): string {
  const { view, points } = TAPE_PATHS[code];
  const { outlines, lines } = drawnView(view);
  const [x, y] = points.at(-1)!;
  const tape = smoothPath(points);
  return [
    '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 250 500">',
    ...outlines.map((path) => `<path d="${path}" fill="#EAE6DA" stroke="#8D887A" stroke-width="2"/>`),
    ...lines.map((path) => `<path d="${path}" fill="none" stroke="#B9B3A2" stroke-width="2"/>`),
    `<path d="${tape}" fill="none" stroke="#1E2A2B" stroke-width="10"/>`,
    `<path d="${tape}" fill="none" stroke="#F2C230" stroke-width="6"/>`,
    `<circle cx="${x}" cy="${y}" r="6" fill="#1E2A2B"/>`,
    '</svg>',
  ].join('');
}
