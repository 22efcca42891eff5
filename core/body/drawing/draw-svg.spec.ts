import { buildOf, CHAINS, MEASUREMENT_CODES, mm } from '../../index';
import { drawSvg } from './draw-svg';

describe('drawSvg', () => {
  it('draws every measurement with the tape over the figure, and closes what it opens', () => {
    for (const code of MEASUREMENT_CODES) {
      const svg = drawSvg({ code });
      expect(svg)
        .withContext(code)
        .toMatch(/^<svg .*<\/svg>$/);
      expect(svg.match(/stroke="#F2C230"/g))
        .withContext(code)
        .toHaveSize(1);
      expect(svg).withContext(code).not.toContain('NaN');
    }
  });

  it('draws a chain as one tape with all its marks', () => {
    const along = CHAINS.side.marks.map(({ code }) => code);
    const svg = drawSvg({
      code: 'waist-to-hip',
      along,
      cord: true,
      build: buildOf(new Map([['hip-girth', mm(1400)]])),
    });
    expect(svg.match(/stroke="#F2C230"/g)).toHaveSize(1);
    // On tiptoe is another view.
    expect(svg.match(/<circle/g)).toHaveSize(5);
    expect(svg).not.toContain('NaN');
  });

  it('draws a cord where one is tied, and none elsewhere', () => {
    const cords = (cord: boolean) =>
      drawSvg({ code: 'waist-to-hip', cord }).match(/<path [^>]*stroke-width="3"/g)?.length ?? 0;
    expect([cords(true), cords(false)]).toEqual([1, 0]);
  });
});
