import { ChangeDetectionStrategy, Component } from '@angular/core';

/** The Stores: not built yet, and says so. */
@Component({
  selector: 'nm-stores',
  template: `<section>
    <h1>Stores</h1>
    <p>What is on the shelf, hired out and on order will stand here. Nothing is counted yet.</p>
  </section>`,
  styleUrl: '../unbuilt.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Stores {}
