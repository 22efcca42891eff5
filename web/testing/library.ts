import type { ComponentFixture } from '@angular/core/testing';
import { By } from '@angular/platform-browser';
import { NzSelectComponent } from 'ng-zorro-antd/select';

/** Chooses in a list of the library as a click on one of its lines does. */
export function chooseIn(fixture: ComponentFixture<unknown>, nzId: string, value: unknown): void {
  const lists = fixture.debugElement.queryAll(By.directive(NzSelectComponent));
  const list = lists
    .map(({ componentInstance }) => componentInstance as NzSelectComponent)
    .find((one) => one.nzId === nzId);
  if (list === undefined) throw new Error(`no list ${nzId}`);
  list.onChange(value as never);
  fixture.detectChanges();
}
