import { ChangeDetectionStrategy, Component, output, signal } from '@angular/core';

export interface QuickVehicle {
  readonly name: string;
  readonly plate?: string;
}

/** A quick check: no vehicle, kept on this device; named, it becomes a job with all that was read. */
@Component({
  selector: 'tt-quick-strip',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <form (submit)="$event.preventDefault(); keep()">
      <p><strong>Quick check.</strong> Kept on this device only.</p>
      <label class="field">
        <span class="sr-only">Vehicle</span>
        <input placeholder="Vehicle" maxlength="80" [value]="name()" (input)="name.set($any($event.target).value)" />
      </label>
      <label class="field plate">
        <span class="sr-only">Plate</span>
        <input placeholder="Plate" maxlength="16" [value]="plate()" (input)="plate.set($any($event.target).value)" />
      </label>
      <button type="submit" class="btn main" [disabled]="!name().trim()">Make it a job</button>
      <button type="button" class="btn bare" (click)="discarded.emit()">Discard</button>
    </form>
  `,
  styles: `
    form {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 8px 12px;
      padding: 6px 16px;
      border-bottom: 1px solid var(--line);
      background: var(--shade);
    }
    p {
      margin-right: auto;
    }
    .plate {
      width: 120px;
    }
  `,
})
export class QuickStrip {
  readonly kept = output<QuickVehicle>();
  readonly discarded = output();
  protected readonly name = signal('');
  protected readonly plate = signal('');

  protected keep(): void {
    const [name, plate] = [this.name().trim(), this.plate().trim()];
    if (name) this.kept.emit({ name, ...(plate && { plate }) });
  }
}
