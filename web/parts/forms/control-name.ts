import { afterRenderEffect, Directive, ElementRef, inject, input } from '@angular/core';

/**
 * Names a control of the library for those who do not see it: the name goes to the field within, where
 * the library would leave it on the box around.
 */
@Directive({ selector: 'nz-select[nmName], nz-input-number[nmName]' })
export class ControlName {
  readonly nmName = input.required<string>();

  constructor() {
    const host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
    afterRenderEffect(() => {
      host.querySelector('input')?.setAttribute('aria-label', this.nmName());
    });
  }
}
