import { TestBed } from '@angular/core/testing';
import type { Inspection } from '@neat-measure/contract/stores';
import { Wire } from '../../../testing/wire';
import { PieceInspection } from './piece-inspection';

describe('PieceInspection', () => {
  it('keeps none that did not pass before it is said what was found', () => {
    void new Wire();
    const fixture = TestBed.createComponent(PieceInspection);
    fixture.componentRef.setInput('serial', 'A1');
    const told: Inspection[] = [];
    fixture.componentInstance.told.subscribe((one) => told.push(one));
    fixture.detectChanges();
    const host = fixture.nativeElement as HTMLElement;
    const press = (name: string) => {
      [...host.querySelectorAll('button')].find((one) => one.textContent.trim() === name)!.click();
      fixture.detectChanges();
    };
    press('Failed');
    expect(host.querySelector('[role=alert]')!.textContent).toContain('Enter what was found on A1');
    const field = host.querySelector('input')!;
    field.value = ' Torn at the hip ';
    field.dispatchEvent(new Event('input'));
    press('Failed');
    press('Passed');
    expect(told.map(({ passed, note }) => [passed, note])).toEqual([
      [false, 'Torn at the hip'],
      [true, 'Torn at the hip'],
    ]);
  });
});
