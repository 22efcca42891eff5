import { chartRetiredPath, kitSchema, kitsSchema, pathOf, ROUTES } from '@neat-measure/contract';
import { v7 as uuidv7 } from 'uuid';
import { Harness } from '../testing/harness';
import { chartSave, problem, sheetFrom } from '../testing/records';

describe('the routes of kits', () => {
  let app: Harness;
  beforeAll(async () => {
    app = await Harness.start();
    await app.signIn();
  });
  afterAll(() => app.stop());

  const chart = async (replaces: string | null = null) => {
    const id = uuidv7();
    // Two of one name cannot both be in use.
    const sheet = sheetFrom('size,chest-girth (cm)\nM,94-102\nL,102-110\n', {
      garment: `Field jacket ${id}`,
    });
    await app.put(pathOf(ROUTES.charts, id), chartSave({ sheet, replaces }));
    return id;
  };
  const kit = (series: readonly string[], more: object = {}) => ({
    name: 'Boat crew',
    series,
    protocols: ['headwear'],
    roles: ['Boat crew'],
    version: 0,
    ...more,
  });
  const keep = async (id: string, body: object) => app.put(pathOf(ROUTES.kits, id), body);
  const listed = async (id: string) =>
    kitsSchema.parse((await app.get(ROUTES.kits)).body).find((one) => one.id === id);

  it('keep a kit, edit it by its version, and take the same save again as one', async () => {
    const [id, garment] = [uuidv7(), await chart()];
    const first = kitSchema.parse((await keep(id, kit([garment]))).body);
    expect([first.version, first.garments.map(({ chartId }) => chartId)]).toEqual([1, [garment]]);
    expect((await keep(id, kit([garment]))).body.version).toBe(1);
    expect((await keep(id, kit([garment], { name: 'Crew', version: 1 }))).body.name).toBe('Crew');
    expect(problem(await keep(id, kit([garment], { name: 'Boats', version: 1 })))).toEqual([
      409,
      'changed-meanwhile',
    ]);
  });

  it('follow a chart to its next version, and say what is retired', async () => {
    const [id, garment] = [uuidv7(), await chart()];
    await keep(id, kit([garment]));
    const next = await chart(garment);
    expect((await listed(id))!.garments.map(({ chartId }) => chartId)).toEqual([next]);
    await app.put(chartRetiredPath(next), { retired: true });
    const kept = (await listed(id))!;
    expect([kept.garments, kept.gone.length, kept.series]).toEqual([[], 1, [garment]]);
    await app.put(chartRetiredPath(next), { retired: false });
    expect((await listed(id))!.garments.length).toBe(1);
  });

  it('refuse what is empty, twice in it, or not known', async () => {
    const garment = await chart();
    const refused = [
      kit([], { protocols: [] }),
      kit([garment, garment]),
      kit([garment], { name: ' ' }),
      kit([garment], { protocols: ['no-such-way'] }),
    ];
    for (const body of refused) expect(problem(await keep(uuidv7(), body))).toEqual([400, 'invalid']);
    expect(problem(await keep(uuidv7(), kit([uuidv7()])))).toEqual([404, 'not-found']);
    expect(problem(await keep(uuidv7(), kit([garment], { protocols: [uuidv7()] })))).toEqual([
      404,
      'not-found',
    ]);
  });

  it('are taken out once, and by whoever leads only', async () => {
    const id = uuidv7();
    await keep(id, kit([await chart()]));
    expect((await app.send('DELETE', pathOf(ROUTES.kits, id))).status).toBe(204);
    expect((await app.send('DELETE', pathOf(ROUTES.kits, id))).status).toBe(204);
    expect(await listed(id)).toBeUndefined();
  });
});
