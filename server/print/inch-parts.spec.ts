import { ROUTES } from '@neat-measure/contract';
import { inches, type Habits, type MeasurementCode } from '@neat-measure/core';
import { openBench } from '../dockets/service';
import { measuringSheet } from '../dockets/measuring-sheet';
import { orderForm } from '../handing/order-form';
import { sizeSheet } from '../handing/size-sheet';
import { Harness } from '../testing/harness';
import { chartSave, opening, reading, Records, sheetFrom } from '../testing/records';
import { personSheet } from '../wearers/person-sheet';
import { exportWearer } from '../wearers/personal-data';
import { textOf } from '../testing/text-of';
import { v7 as uuidv7 } from 'uuid';

const TROUSERS = sheetFrom('size,trouser-waist-girth (in)\n32,31-33\n34,33-35\n', {
  kind: 'trousers',
  garment: 'Warden trousers',
  unit: 'in',
});

describe('paper', () => {
  let app: Harness;
  const records = new Records(() => app);
  beforeAll(async () => (app = await Harness.start()));
  afterAll(() => app.stop());

  it('is written as its house writes inches: the same docket in eighths and in sixteenths', async () => {
    const chartId = await records.save(ROUTES.charts, chartSave({ sheet: TROUSERS }));
    const id = uuidv7();
    await records.does(id, { ...opening(await records.wearer()), unit: 'in' } as never);
    await records.does(id, { kind: 'garment-asked', chartId });
    await records.does(id, { kind: 'measurement-asked', code: 'arm-length', asked: true });
    await records.does(id, reading('trouser-waist-girth', '32 5/16', { unit: 'in' }));
    const hem = {
      area: 'leg',
      how: 'hem-at',
      typed: '30 3/16',
      unit: 'in',
      length: inches(30.1875),
    } as const;
    await records.does(id, { kind: 'alteration-noted', chartId, ...hem });
    const made = await openBench(app.database, id);
    const printed = (inchParts: Habits['inchParts']) => {
      const bench = { ...made, habits: { ...made.habits, inchParts } };
      const { charts } = bench;
      expect(charts.length).toBe(1);
      return {
        steps: textOf(measuringSheet(bench).content),
        sizes: textOf(sizeSheet({ bench, address: 'http://localhost' }).content),
        order: textOf(orderForm({ bench, chartId }).content),
      };
    };
    const [eighths, sixteenths] = [printed(8), printed(16)];
    expect(eighths.sizes).toContain('Hem the leg at 30 1/4 in');
    expect(eighths.sizes).toContain('Trouser waist 32 3/8 in');
    expect(eighths.order).toContain('Trouser waist: 32 3/8 in');
    expect(sixteenths.sizes).toContain('Hem the leg at 30 3/16 in');
    expect(sixteenths.sizes).toContain('Trouser waist 32 5/16 in');
    expect(sixteenths.order).toContain('Trouser waist: 32 5/16 in');
    expect(sixteenths.order).toContain('Please hem the leg at 30 3/16 in.');
    expect(eighths.sizes).not.toContain('Dart');
    // Two readings of an arm may be 0.557 in apart.
    expect(eighths.steps).toContain('Allowed apart: 1/2 in');
    expect(sixteenths.steps).toContain('Allowed apart: 9/16 in');
  });

  it('writes a weight as one, in the unit that goes with the docket’s', async () => {
    const id = uuidv7();
    const wearerId = await records.wearer();
    await records.does(id, { ...opening(wearerId), unit: 'in' } as never);
    await records.does(id, { kind: 'measurement-asked', code: 'weight', asked: true });
    for (const _ of [1, 2]) await records.does(id, reading('weight', '172', { unit: 'lb' }));
    const sizes = textOf(sizeSheet({ bench: await openBench(app.database, id), address: '' }).content);
    expect(sizes).toContain('Weight 172 lb');
    // What is kept of a person is told without a docket.
    const person = await exportWearer(app.database, wearerId);
    expect(textOf(personSheet(person).content)).toContain('Weight: 78 kg');
  });

  it('says where the waist was, the dart, and how a garment is to look', async () => {
    const chartId = await records.save(ROUTES.charts, chartSave({ sheet: TROUSERS }));
    const id = uuidv7();
    await records.does(id, { ...opening(await records.wearer()), unit: 'in' } as never);
    await records.does(id, { kind: 'garment-asked', chartId });
    await records.does(id, { kind: 'protocol-asked', protocolId: 'designers-record' });
    const twice = async (code: MeasurementCode, typed: string, more: object) => {
      for (const _ of [1, 2]) await records.does(id, reading(code, typed, { unit: 'in', ...more }));
    };
    await twice('back-waist-length', '15', { waist: 'navel' });
    await twice('shoulder-to-underbust', '13 1/2', {});
    await twice('shoulder-to-underbust-side', '12', {});
    await records.does(id, { kind: 'style-noted', chartId, style: 'Dark green, turn-ups' });
    await records.does(id, { kind: 'style-noted', chartId: null, style: 'A long coat' });
    const sizes = textOf(sizeSheet({ bench: await openBench(app.database, id), address: '' }).content);
    expect(sizes).toContain('Back to waist at the navel 15 in');
    expect(sizes).toContain('Dart 1 1/2 in');
    expect(sizes).toContain('Style and colour: Dark green, turn-ups');
    expect(sizes).toContain('Style and colour: A long coat');
  });
});
