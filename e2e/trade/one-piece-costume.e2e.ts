import { expect, test } from '../fitter';
import { bringChart, expectSize, practise } from './practice';

/** The hip is where the hands rest on the hips, and so is where the second torso length ends. */
const COSTUME = {
  format: 'neat-measure-chart/1',
  maker: 'Heron Loft',
  garment: 'Otter costume',
  kind: 'one-piece',
  unit: 'in',
  rule: 'widest-decides',
  parts: [
    {
      code: 'size',
      name: 'Size',
      sizes: ['S', 'M', 'L'],
      columns: [
        { code: 'chest-girth', unit: 'in', cells: ['34-37', '37-40', '40-43'] },
        { code: 'waist-girth', unit: 'in', cells: ['26-29', '29-32', '32-35'] },
        { code: 'high-hip-girth', unit: 'in', cells: ['32-35', '35-38', '38-41'] },
        { code: 'nape-to-high-hip', unit: 'in', cells: ['20-21 1/2', '21 1/2-23', '23-24 1/2'] },
      ],
    },
  ],
};
const READINGS = {
  Height: '70',
  Chest: '38',
  'Natural waist': '31',
  Trunk: '64',
  Head: '22 3/4',
  'Nape to wrist': '33',
  'Back to waist': '17',
  'Nape to high hip': '22',
  'Nape to fork': '26',
  'Inside leg to the top of the ankle': '30',
  'Left foot length': '265',
  'Right foot length': '265',
};

// Chest 38: M, waist 31: M, torso 22: M. Hip bones 36: M; 39: L, and the widest decides.
for (const [wearer, hip, label] of [
  ['Jonas Costume', '36', 'M'],
  ['Jorun Costume', '39', 'L'],
] as const)
  test(`a one-piece costume by the hip bones: ${hip} is ${label}`, async ({ fitter: page }) => {
    await bringChart(page, COSTUME);
    const met = await practise(
      page,
      {
        wearer,
        unit: 'in',
        garments: ['Otter costume', 'One-piece costume'],
        until: 'Otter costume',
      },
      { ...READINGS, 'High hip': hip },
    );
    expect(met).not.toContain('Hip and seat');
    await expectSize(page, /Otter costume/, label);
    await expect(page.getByRole('button', { name: 'Nape to high hip: 22 in' })).toBeVisible();
    await expect(
      page.getByRole('button', { name: 'Inside leg to the top of the ankle: 30 in' }),
    ).toBeVisible();
  });
