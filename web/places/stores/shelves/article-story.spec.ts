import { storyOf } from './article-story';

describe('storyOf', () => {
  const by = { id: '0198a4c0-0000-7000-8000-000000000001', name: 'Odalys Wren' };

  it('has inspections among what moved, the latest first, with who found what', () => {
    const moved = {
      place: 7,
      kind: 'received',
      serial: 'A1',
      from: 'maker',
      to: 'loft/shelf',
      count: 1,
      reason: null,
      docket: null,
      order: 4,
      by,
      at: '2026-11-02T08:00:00.000Z',
    } as const;
    const inspection = {
      id: 'one',
      serial: 'A1',
      day: '2026-11-20',
      passed: false,
      note: 'Torn',
      by,
    } as const;
    const told = storyOf(
      {
        movements: [moved],
        inspections: [
          { ...inspection, at: '2026-11-20T08:00:00.000Z' },
          { ...inspection, id: 'two', passed: true, note: null, at: '2026-11-25T08:00:00.000Z' },
        ],
      },
      () => 'Loft',
    );
    expect(told.map(({ words }) => words)).toEqual([
      'A1 passed its inspection',
      'A1 did not pass its inspection: Torn',
      'A1 came in into Loft, order 4',
    ]);
    expect(told.map((one) => one.by.name)).toEqual(Array(3).fill('Odalys Wren'));
  });
});
