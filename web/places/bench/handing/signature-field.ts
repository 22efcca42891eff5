import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  type ElementRef,
  inject,
  model,
  signal,
  viewChild,
} from '@angular/core';
import { SIGNATURE_GROUND, type Signature } from '@neat-measure/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import SignaturePad from 'signature_pad';

/** The wearer's name under what they take: written by finger or pen, or typed. */
@Component({
  selector: 'nm-signature-field',
  imports: [NzButtonModule, NzInputModule],
  template: `
    <div class="row">
      <label class="field" for="signed"
        >Signed: the wearer’s name, typed
        <input
          #name
          nz-input
          id="signed"
          class="ample"
          type="text"
          maxlength="120"
          autocomplete="off"
          [value]="typed()"
          (input)="type(name.value)"
      /></label>
      <div class="pad">
        <canvas
          #canvas
          [width]="ground.width"
          [height]="ground.height"
          aria-label="Or written here by finger or pen"
          role="img"
        ></canvas>
        @if (written()) {
          <button nz-button nzType="link" nzSize="small" type="button" (click)="clear()">wipe</button>
        } @else {
          <span class="soft">or written here</span>
        }
      </div>
    </div>
  `,
  styles: `
    .pad {
      position: relative;
      width: 300px;
      height: 80px;
      border: 1px solid var(--line-strong);
      border-radius: var(--radius);
      background: var(--paper);
    }
    canvas {
      width: 100%;
      height: 100%;
      touch-action: none;
    }
    .pad > :not(canvas) {
      position: absolute;
      right: 8px;
      bottom: 2px;
      font-size: 12px;
    }
    span {
      pointer-events: none;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SignatureField {
  /** What stands there; `null` while nothing does. */
  readonly signature = model<Signature | null>(null);
  protected readonly ground = SIGNATURE_GROUND;
  protected readonly typed = signal('');
  protected readonly written = signal(false);
  private readonly canvas = viewChild.required<ElementRef<HTMLCanvasElement>>('canvas');
  private pad: SignaturePad | null = null;

  constructor() {
    const destroyed = inject(DestroyRef);
    afterNextRender(() => {
      const pad = new SignaturePad(this.canvas().nativeElement, { penColor: '#1E2A2B', minDistance: 4 });
      pad.addEventListener('endStroke', () => this.read());
      this.pad = pad;
      destroyed.onDestroy(() => pad.off());
    });
  }

  protected type(name: string): void {
    this.typed.set(name);
    if (!this.written()) this.signature.set(name.trim() === '' ? null : { by: 'name', name: name.trim() });
  }

  protected clear(): void {
    this.pad?.clear();
    this.written.set(false);
    this.type(this.typed());
  }

  /** What was written, in whole numbers of the ground, as few as tell it. */
  private read(): void {
    const canvas = this.canvas().nativeElement;
    const scale = this.ground.width / canvas.getBoundingClientRect().width;
    const strokes = this.pad!.toData()
      .map(({ points }) =>
        points.slice(0, MOST_POINTS).flatMap(({ x, y }) => [Math.round(x * scale), Math.round(y * scale)]),
      )
      .filter((stroke) => stroke.length >= 2)
      .map((stroke) => stroke.map((at) => Math.min(Math.max(at, -50), 700)))
      .slice(0, MOST_STROKES);
    this.written.set(strokes.length > 0);
    if (strokes.length > 0) this.signature.set({ by: 'hand', strokes });
  }
}

/** As much of a signature as is kept. */
const MOST_POINTS = 400;
const MOST_STROKES = 60;
