import { ChangeDetectionStrategy, Component, computed, inject, input, resource } from '@angular/core';
import { counted, LOCALE } from '@neat-measure/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { Contact } from '../../../data/contact';
import { KeptApplication } from '../../../data/pack/kept-application';
import { PackDoor } from '../../../data/pack/pack-door';

/** A muster is taken along on this device, to go on with where there is no network: what is here, of when, and its room. */
@Component({
  selector: 'nm-take-along',
  imports: [NzButtonModule],
  template: `
    <section class="stack" aria-label="On this device">
      @if (pack(); as pack) {
        <p class="row">
          @if (own(); as own) {
            <span class="soft"
              >On this device since {{ own.at }}: {{ own.wearers }}, {{ own.room }}. {{ works() }}</span
            >
            <button nz-button type="button" [disabled]="pack.busy() || contact.away()" (click)="take()">
              Update
            </button>
            <button nz-button nzType="link" type="button" (click)="pack.drop()">Remove</button>
          } @else {
            <button nz-button type="button" [disabled]="pack.busy() || contact.away()" (click)="take()">
              Take along
            </button>
            <span class="soft">{{
              other() === ''
                ? 'Keeps this muster on this device, to work without a network.'
                : 'This device has ' + other() + ' along. Taking this one replaces it.'
            }}</span>
          }
        </p>
        @if (pack.busy()) {
          <p class="note" role="status">Taking the muster along …</p>
        }
        @if (own() && application.keeping() === 'coming') {
          <p class="note" role="status">
            The application itself is still on its way to this device. Stay in the network until it says that
            it works without.
          </p>
        }
        @if (!secure) {
          <p class="note">
            Without https this page cannot be opened again while there is no network. Ask whoever runs the
            server for https.
          </p>
        }
        @if (pack.caution() && own()) {
          <p class="note">{{ pack.caution() }}</p>
        }
        @if (pack.trouble()) {
          <p class="fault" role="alert">{{ pack.trouble() }}</p>
        }
      }
    </section>
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TakeAlong {
  readonly musterId = input.required<string>();
  private readonly door = inject(PackDoor);
  protected readonly contact = inject(Contact);
  protected readonly application = inject(KeptApplication);
  protected readonly secure = globalThis.isSecureContext;
  private readonly opened = resource({ loader: () => this.door.open() });
  protected readonly pack = computed(() => this.opened.value() ?? null);
  /** What of this muster is here, in words. */
  protected readonly own = computed(() => {
    const taken = this.pack()?.taken() ?? null;
    if (taken?.musterId !== this.musterId()) return null;
    return {
      at: new Date(taken.madeAt).toLocaleString(LOCALE, { dateStyle: 'medium', timeStyle: 'short' }),
      wearers: counted(taken.wearers, 'wearer'),
      room: `${(taken.bytes / 1_000_000).toFixed(1)} MB`,
    };
  });
  /** What can be done with it here, once all is here that opens it again. */
  protected readonly works = computed(
    () =>
      ({
        here: 'Works without a network.',
        coming: '',
        not: 'Works without a network while this page stays open.',
      })[this.application.keeping()],
  );
  /** The other muster that is here; empty for none. */
  protected readonly other = computed(() => {
    const taken = this.pack()?.taken() ?? null;
    return taken === null || taken.musterId === this.musterId() ? '' : taken.name;
  });

  protected take(): void {
    void this.pack()?.take(this.musterId());
  }
}
