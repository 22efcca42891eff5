import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  computed,
  DestroyRef,
  ElementRef,
  inject,
  Injector,
  input,
  model,
  signal,
  viewChild,
} from '@angular/core';
import { LONGEST_SIGNATURE, SIGNATURE_GROUND, type Signature } from '@neat-measure/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import SignaturePad from 'signature_pad';

/** Who signs for what is taken: the wearer by their name, somebody else by theirs, or by finger or pen. */
@Component({
  selector: 'nm-signature-field',
  imports: [NzButtonModule, NzInputModule],
  template: `
    <div class="row">
      <span class="row by-name">
        <button
          #wearerSigns
          nz-button
          type="button"
          [attr.aria-pressed]="signedBy() === wearer()"
          [nzType]="signedBy() === wearer() ? 'primary' : 'default'"
          (click)="byName()"
        >
          <kbd>W</kbd>
          {{ signedBy() === wearer() ? '✓ ' + wearer() + ' signs' : wearer() + ' signs' }}
        </button>
        @if (other()) {
          <label class="field" for="signed"
            >Signed by
            <input
              #name
              nz-input
              id="signed"
              class="ample"
              type="text"
              maxlength="120"
              autocomplete="off"
              placeholder="name of the signer"
              [value]="typed()"
              (input)="type(name.value)"
          /></label>
        } @else {
          <button nz-button nzType="link" type="button" (click)="byOther()">Other signer</button>
        }
      </span>
      <div class="pad">
        <canvas
          #canvas
          [width]="ground.width"
          [height]="ground.height"
          aria-label="Sign by finger or pen"
          role="img"
        ></canvas>
        @if (written()) {
          <button nz-button nzType="link" nzSize="small" type="button" (click)="clear()">Clear</button>
        } @else {
          <span class="soft">or sign here</span>
        }
      </div>
    </div>
  `,
  styles: `
    .pad {
      position: relative;
      flex: 1 1 200px;
      max-width: 300px;
      height: 60px;
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
    .pad > span {
      pointer-events: none;
    }
    kbd {
      margin-right: 6px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SignatureField {
  /** What stands there; `null` while nothing does. */
  readonly signature = model<Signature | null>(null);
  /** What the wearer is called. */
  readonly wearer = input.required<string>();
  /** Whether somebody else signs than the wearer. */
  protected readonly other = signal(false);
  protected readonly signedBy = computed(() => {
    const signature = this.signature();
    return signature?.by === 'name' ? signature.name : null;
  });
  protected readonly ground = SIGNATURE_GROUND;
  protected readonly typed = signal('');
  protected readonly written = signal(false);
  private readonly canvas = viewChild.required<ElementRef<HTMLCanvasElement>>('canvas');
  private readonly wearerSigns = viewChild.required<string, ElementRef<HTMLElement>>('wearerSigns', {
    read: ElementRef,
  });
  private readonly field = viewChild<ElementRef<HTMLInputElement>>('name');
  private readonly injector = inject(Injector);
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

  /** The wearer signs with their name, or does not after all. */
  byName(): void {
    if (this.written()) this.clear();
    this.other.set(false);
    const signs = this.signedBy() !== this.wearer();
    this.type(signs ? this.wearer() : '');
    // Enter hands over then, whatever was pressed before.
    if (signs) this.wearerSigns().nativeElement.focus();
  }

  protected byOther(): void {
    this.other.set(true);
    this.type('');
    afterNextRender(() => this.field()?.nativeElement.focus(), { injector: this.injector });
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
    const drawn = this.pad!.toData().slice(0, MOST_STROKES);
    const points = drawn.reduce((sum, stroke) => sum + stroke.points.length, 0);
    // Of a long signature every second point tells it as well, or every third.
    const every = Math.max(1, Math.ceil((2 * points + 4 * drawn.length) / LONGEST_SIGNATURE));
    const strokes = drawn
      .map((stroke) =>
        stroke.points
          .filter((_, at) => at % every === 0 || at === stroke.points.length - 1)
          .flatMap(({ x, y }) => [x, y].map((at) => within(Math.round(at * scale)))),
      )
      .filter((stroke) => stroke.length >= 2);
    this.written.set(strokes.length > 0);
    if (strokes.length > 0) this.signature.set({ by: 'hand', strokes });
  }
}

/** As much of a signature as is kept. */
const MOST_STROKES = 60;

/** A pen that leaves the ground comes back to its edge. */
function within(at: number): number {
  return Math.min(Math.max(at, -50), 700);
}
