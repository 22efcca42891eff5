import { DRAWINGS, measurement, MEASUREMENT_CODES, smoothPath, TAPE_PATHS, VIEWS } from '../../index';

describe('the figure', () => {
  it('stays on its ground in every view', () => {
    for (const view of VIEWS) {
      const points = [...DRAWINGS[view].outlines, ...DRAWINGS[view].lines].flat();
      for (const [x, y] of points)
        expect(x >= 0 && x <= 250 && y >= 0 && y <= 500)
          .withContext(`${view} ${x},${y}`)
          .toBeTrue();
    }
  });

  it('is drawn through its points', () => {
    expect(
      smoothPath([
        [0, 0],
        [10, 0],
      ]),
    ).toBe('M0 0C1.7 0 8.3 0 10 0');
    expect(
      smoothPath(
        [
          [0, 0],
          [10, 0],
          [10, 10],
        ],
        true,
      ),
    ).toMatch(/^M0 0C.*10 0C.*10 10C.*0 0Z$/);
  });
});

describe('the tape’s paths', () => {
  for (const code of MEASUREMENT_CODES) {
    it(`of ${code} runs where its stance shows it`, () => {
      const { view, points } = TAPE_PATHS[code];
      expect(points.length).toBeGreaterThanOrEqual(2);
      for (const [x, y] of points) expect(x >= 0 && x <= 250 && y >= 0 && y <= 500).toBeTrue();
      const { stance } = measurement(code);
      const views = {
        standing: ['front', 'side', 'hand', 'head', 'tucked'],
        tiptoe: ['tiptoe'],
        kneeling: ['kneeling'],
        turned: ['back'],
        seated: ['seated'],
        'on-paper': ['feet'],
        shoe: ['side'],
      }[stance];
      expect(views).toContain(view);
    });
  }

  it('starts lengths at the top, as they are read downward', () => {
    for (const code of [
      'inside-leg-length',
      'nape-to-belt',
      'notch-to-belt-standing',
      'arm-length',
    ] as const) {
      const { points } = TAPE_PATHS[code];
      expect(points[0]![1]).toBeLessThan(points.at(-1)![1]);
    }
  });
});
