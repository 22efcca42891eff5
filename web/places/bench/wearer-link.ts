import { ChangeDetectionStrategy, Component, inject, input, output, signal } from '@angular/core';
import { LOCALE } from '@neat-measure/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { DocketService } from '../../data/docket-service';

/** Makes a link with which the wearer of a docket measures themselves, and shows it. */
@Component({
  selector: 'nm-wearer-link',
  imports: [NzButtonModule],
  template: `
    @if (link()) {
      <p class="fine">
        For one use until {{ ends() }}: <a [href]="link()">{{ link() }}</a>
      </p>
    } @else {
      <button nz-button nzType="link" type="button" (click)="make()">Link for the wearer</button>
    }
  `,
  // An address has no gap to break at, and its panel is narrow.
  styles: 'a { overflow-wrap: anywhere; }',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class WearerLink {
  private readonly dockets = inject(DocketService);
  readonly docketId = input.required<string>();
  readonly failed = output<string>();
  /** The address, once it has been made. */
  protected readonly link = signal('');
  protected readonly ends = signal('');

  protected make(): void {
    this.dockets.selfLink(this.docketId()).subscribe({
      next: ({ token, expiresAt }) => {
        this.link.set(`${location.origin}/self/${token}`);
        this.ends.set(new Date(expiresAt).toLocaleDateString(LOCALE, { day: 'numeric', month: 'long' }));
      },
      error: (problem: Error) => this.failed.emit(problem.message),
    });
  }
}
