import { TestBed } from '@angular/core/testing';
import { type ChartSheet } from '@neat-measure/core';
import { chartSheetSchema } from '@neat-measure/core/sheets';
import { chooseIn } from '../../../testing/library';
import { CombinationsEditor } from './combinations-editor';

describe('CombinationsEditor', () => {
  const scale = (code: string, of: string, sizes: readonly string[]) => ({
    code,
    name: code,
    sizes,
    columns: [{ code: of, unit: 'in', cells: sizes }],
  });
  const sheet = chartSheetSchema.parse({
    maker: 'Ostrel Workwear',
    garment: 'Trousers',
    unit: 'in',
    rule: 'widest-decides',
    label: '{waist}x{leg}',
    parts: [
      scale('waist', 'trouser-waist-girth', ['30', '32', '34']),
      scale('leg', 'inside-leg-length', ['30', '32']),
    ],
  });

  function open() {
    const fixture = TestBed.createComponent(CombinationsEditor);
    let held: ChartSheet = sheet;
    const show = async () => {
      fixture.componentRef.setInput('sheet', held);
      fixture.detectChanges();
      await fixture.whenStable();
      fixture.detectChanges();
    };
    fixture.componentInstance.changed.subscribe((change) => (held = { ...held, ...change }));
    const host = fixture.nativeElement as HTMLElement;
    const press = async (words: string) => {
      [...host.querySelectorAll('button')].find((one) => one.textContent.trim().startsWith(words))!.click();
      await show();
    };
    const tick = async (name: string) => {
      const label = [...host.querySelectorAll('label')].find((one) => one.textContent.trim() === name)!;
      label.querySelector('input')!.click();
      await show();
    };
    return { fixture, host, show, press, tick, held: () => held };
  }

  it('begins with everything made, unticks what is not, and keeps to the form of a chart', async () => {
    const { fixture, show, press, tick, held } = open();
    await show();
    chooseIn(fixture, 'pair-first', 'waist');
    chooseIn(fixture, 'pair-second', 'leg');
    await press('Choose what is made');
    await tick('34 with 30');
    expect(held().combinations).toEqual([
      { parts: ['waist', 'leg'], made: { '30': ['30', '32'], '32': ['30', '32'], '34': ['32'] } },
    ]);
    await press('None');
    expect(held().combinations[0]!.made['30']).withContext('the first row as a whole').toEqual([]);
    expect(chartSheetSchema.safeParse(held()).success).toBeTrue();
    await press('Remove grid');
    expect(held().combinations).toEqual([]);
  });

  it('lets a part be offered only by one that is sized before it', async () => {
    const { fixture, host, show, press, held } = open();
    await show();
    const offers = () =>
      [...host.querySelectorAll('button')].find((one) => one.textContent.includes('what is offered'))!;
    chooseIn(fixture, 'pair-first', 'leg');
    chooseIn(fixture, 'pair-second', 'waist');
    await show();
    expect(offers().disabled).toBeTrue();
    chooseIn(fixture, 'pair-first', 'waist');
    chooseIn(fixture, 'pair-second', 'leg');
    await show();
    await press('Choose what is offered');
    expect(held().parts[1]!.offered).toEqual({
      by: 'waist',
      sizes: { '30': ['30', '32'], '32': ['30', '32'], '34': ['30', '32'] },
    });
  });
});
