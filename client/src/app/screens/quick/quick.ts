import { ChangeDetectionStrategy, Component, effect, inject, untracked } from '@angular/core';
import { Router } from '@angular/router';
import { Store } from '@ngrx/store';
import { newId } from '../../device/new-id';
import { queued } from '../../outbox/outbox-item';
import { OutboxActions } from '../../outbox/outbox.actions';
import { selectShop } from '../../state/session/session.feature';

/** Opens a quick check: a job without a vehicle that is held on this device, on the same bench. */
@Component({
  selector: 'tt-quick',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<p role="status">Opening a quick check …</p>`,
})
export class Quick {
  constructor() {
    const store = inject(Store);
    const router = inject(Router);
    const shop = store.selectSignal(selectShop);
    const opening = effect(() => {
      const chosen = shop();
      if (chosen === null) return;
      untracked(() => {
        const job = newId();
        const body = {
          id: job,
          vehicle: { id: newId(), name: 'Quick check' },
          system: { nominalVolts: 12 as const, battery: { chemistry: 'flooded' as const } },
        };
        const item = queued({ kind: 'new-job', shop: chosen, job, body });
        store.dispatch(OutboxActions.queued({ item: { ...item, state: 'held' } }));
        void router.navigate(['/jobs', job], { replaceUrl: true });
      });
      opening.destroy();
    });
  }
}
