import type { ElementRef } from '@angular/core';
import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  inject,
  input,
  output,
  signal,
  viewChild,
} from '@angular/core';
import { Button } from '../kit/button';
import { FileButton } from '../kit/file-button';

/** Reads a barcode: from a photograph, or live where the browser allows the camera. */
@Component({
  selector: 'tt-scan',
  imports: [Button, FileButton],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <tt-file-button [label]="label()" accept="image/*" capture="environment" (chosen)="photo($event)" />
    @if (canLive) {
      <button pButton kind="bare" (click)="live()">{{ stop() ? 'Stop the camera' : 'Live' }}</button>
    }
    @if (problem(); as text) {
      <p class="kit-error" role="alert">{{ text }}</p>
    }
    <video #video [hidden]="!stop()" muted playsinline aria-label="Camera"></video>
  `,
  styles: `
    :host {
      display: flex;
      flex-wrap: wrap;
      gap: 8px;
      align-items: center;
      position: relative;
    }
    video {
      width: 100%;
      max-height: 240px;
    }
  `,
})
export class ScanButton {
  readonly label = input.required<string>();
  readonly scanned = output<string>();
  protected readonly video = viewChild.required<ElementRef<HTMLVideoElement>>('video');
  protected readonly canLive = typeof navigator.mediaDevices?.getUserMedia === 'function';
  protected readonly stop = signal<(() => void) | null>(null);
  protected readonly problem = signal<string | null>(null);

  constructor() {
    inject(DestroyRef).onDestroy(() => this.stop()?.());
  }

  protected async photo(file: File): Promise<void> {
    this.problem.set(null);
    const { readCode } = await import('./read-code');
    const text = await readCode(file);
    if (text === null)
      this.problem.set(`No code was found in ${file.name}: fill the picture with it, straight and in focus.`);
    else this.scanned.emit(text);
  }

  protected async live(): Promise<void> {
    const running = this.stop();
    if (running) {
      running();
      this.stop.set(null);
      return;
    }
    this.problem.set(null);
    const { watchCamera } = await import('./read-code');
    try {
      const stop = await watchCamera(this.video().nativeElement, (text) => {
        this.stop.set(null);
        this.scanned.emit(text);
      });
      this.stop.set(stop);
    } catch {
      this.problem.set('The camera cannot be used here: take a photograph instead.');
    }
  }
}
