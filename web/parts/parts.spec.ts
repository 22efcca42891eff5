import { TestBed } from '@angular/core/testing';
import { cm, inches, VERDICTS } from '@neat-measure/core';
import { Figures } from './figures/figures';
import { isTakenElsewhere } from './shortcuts/shortcut-service';
import { SizeRuler } from './size-ruler/size-ruler';
import { VerdictGlyph } from './verdict-glyph/verdict-glyph';

describe('parts', () => {
  it('figures raise the fraction and keep the unit', async () => {
    const fixture = TestBed.createComponent(Figures);
    fixture.componentRef.setInput('length', inches(41.25));
    fixture.componentRef.setInput('unit', 'in');
    await fixture.whenStable();
    const element = fixture.nativeElement as HTMLElement;
    expect(element.querySelector('.fraction')?.textContent?.trim()).toBe('1/4');
    expect(element.textContent?.replace(/\s+/g, ' ')).toBe('41 1/4in');
  });

  it('every verdict has a glyph of its own, named by its word', async () => {
    const drawn = new Set<string>();
    for (const verdict of VERDICTS) {
      const fixture = TestBed.createComponent(VerdictGlyph);
      fixture.componentRef.setInput('verdict', verdict);
      await fixture.whenStable();
      const svg = (fixture.nativeElement as HTMLElement).querySelector('svg')!;
      expect(svg.getAttribute('aria-label')?.length).toBeGreaterThan(3);
      drawn.add(svg.innerHTML);
    }
    expect(drawn.size).toBe(VERDICTS.length);
  });

  it('a ruler says in words what it shows', async () => {
    const fixture = TestBed.createComponent(SizeRuler);
    for (const [name, value] of Object.entries({
      measurement: 'Chest',
      sizes: ['S', 'M'],
      intervals: [
        { from: 800_000, until: 900_000, lower: cm(80), upper: cm(90) },
        { from: 900_000, until: 1_000_001, lower: cm(90), upper: cm(100) },
      ],
      unit: 'cm',
      reading: { value: cm(91), standardError: 7_000 },
      candidates: ['M'],
    }))
      fixture.componentRef.setInput(name, value);
    await fixture.whenStable();
    const element = fixture.nativeElement as HTMLElement;
    expect(element.getAttribute('aria-label')).toBe('Chest, 91 cm; sizes S to M; in the running: M');
    expect(element.querySelectorAll('.size.in').length).toBe(1);
    expect(element.querySelector('.axis')).withContext('no axis at the bench’s stature').toBeNull();
  });
});

describe('isTakenElsewhere', () => {
  const pressed = (target: HTMLElement, init: KeyboardEventInit = {}) => {
    document.body.append(target);
    let taken: boolean | undefined;
    document.addEventListener('keydown', (event) => (taken = isTakenElsewhere(event)), { once: true });
    target.dispatchEvent(new KeyboardEvent('keydown', { key: 'b', bubbles: true, ...init }));
    target.remove();
    return taken;
  };
  it('leaves fields and browser commands alone', () => {
    expect(pressed(document.createElement('input'))).toBeTrue();
    expect(pressed(document.createElement('button'))).toBeFalse();
    expect(pressed(document.createElement('button'), { ctrlKey: true })).toBeTrue();
  });
});
