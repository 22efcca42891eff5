import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  type ElementRef,
  inject,
  signal,
  viewChild,
} from '@angular/core';
import { Router } from '@angular/router';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';

/** Where whoever has a slip on paper enters its code. */
@Component({
  selector: 'nm-self-code',
  imports: [NzButtonModule, NzInputModule],
  template: `
    <form class="page" (submit)="open(code.value); $event.preventDefault()">
      <h1>Your measurements</h1>
      <p><label for="self-code">The code on your slip</label></p>
      <input
        #code
        nz-input
        id="self-code"
        class="num"
        autocomplete="off"
        autocapitalize="characters"
        spellcheck="false"
        maxlength="80"
        placeholder="4K7QX-F9MWB"
      />
      @if (fault()) {
        <p class="fault" role="alert">{{ fault() }}</p>
      }
      <button nz-button nzType="primary" class="wide" type="submit">Continue</button>
    </form>
  `,
  styles: `
    .page {
      max-width: 560px;
      margin: 0 auto;
      padding: 24px 16px;
      font-size: 19px;
    }
    h1 {
      font-size: 30px;
    }
    p,
    input {
      margin-top: 12px;
    }
    input {
      height: 64px;
      border-bottom: 4px solid var(--tape);
      font-size: 30px;
      text-transform: uppercase;
    }
    .wide {
      width: 100%;
      height: 64px;
      margin-top: 18px;
      font-size: 22px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SelfCode {
  private readonly router = inject(Router);
  private readonly field = viewChild.required<ElementRef<HTMLInputElement>>('code');
  protected readonly fault = signal('');

  constructor() {
    afterNextRender(() => this.field().nativeElement.focus());
  }

  /** A whole address that was pasted, or a code with whatever stands between its letters. */
  protected open(typed: string): void {
    const code = typed.trim().split('/').at(-1)!.replace(/[\s-]/g, '');
    if (code === '') return this.fault.set('Enter the code on your slip: ten letters and digits.');
    void this.router.navigate(['/self', code]);
  }
}
