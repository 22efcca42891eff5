import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { NzModalModule } from 'ng-zorro-antd/modal';
import { ShortcutService } from './shortcut-service';

/** The list behind `?`. */
@Component({
  selector: 'nm-shortcut-list',
  imports: [NzModalModule],
  template: `
    @if (service.shown()) {
      <nz-modal
        [nzVisible]="service.shown()"
        nzTitle="Keys"
        [nzFooter]="null"
        [nzWidth]="460"
        (nzOnCancel)="service.shown.set(false)"
      >
        <ng-container *nzModalContent>
          <dl>
            @for (shortcut of service.shortcuts(); track $index) {
              <div>
                <dt>
                  @for (key of shortcut.keys; track key) {
                    <kbd>{{ key }}</kbd>
                  }
                </dt>
                <dd>{{ shortcut.does }}</dd>
              </div>
            } @empty {
              <p>This page has no keys of its own.</p>
            }
            <div>
              <dt><kbd>?</kbd></dt>
              <dd>this list</dd>
            </div>
            <div>
              <dt><kbd>Ctrl K</kbd> <kbd>/</kbd></dt>
              <dd>search and commands</dd>
            </div>
          </dl>
        </ng-container>
      </nz-modal>
    }
  `,
  styles: `
    div {
      display: grid;
      grid-template-columns: 150px 1fr;
      align-items: center;
      min-height: 36px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ShortcutList {
  protected readonly service = inject(ShortcutService);
}
