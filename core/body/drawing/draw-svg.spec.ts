import { MEASUREMENT_CODES } from '../catalogue/codes';
import { drawSvg } from './draw-svg';

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
