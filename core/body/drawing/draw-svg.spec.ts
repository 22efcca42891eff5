import { MEASUREMENT_CODES } from '../catalogue/codes';
import { drawSvg, drawnView } from './draw-svg';

describe('drawSvg', () => {
  it('draws every measurement with the tape over the figure, and closes what it opens', () => {
    for (const code of MEASUREMENT_CODES) {
      const svg = drawSvg(code);
      expect(svg)
        .withContext(code)
        .toMatch(/^<svg .*<\/svg>$/);
      expect(svg.match(/stroke="#F2C230"/g))
        .withContext(code)
        .toHaveSize(1);
      expect(svg).withContext(code).not.toContain('NaN');
    }
  });
});

describe('drawnView', () => {
  it('draws what is straight beside a foot straight, and the lines of a body round', () => {
    const round = (view: Parameters<typeof drawnView>[0]) =>
      drawnView(view).lines.some((path) => /[CQSA]/i.test(path));
    expect(round('feet')).toBeFalse();
    expect(round('front')).toBeTrue();
    expect(drawnView('front').outlines.every((path) => /z$/i.test(path))).toBeTrue();
  });
});
