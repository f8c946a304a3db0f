import type { ElementRef } from '@angular/core';
import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  output,
  signal,
  viewChild,
} from '@angular/core';
import { takeUntilDestroyed, toObservable, toSignal } from '@angular/core/rxjs-interop';
import { Dialog } from '../ui/dialog';
import { LibraryStyles } from '../ui/library/library-styles';
import { ProgressStyles } from '../ui/library/progress-styles';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { NzProgressComponent } from 'ng-zorro-antd/progress';
import { PERCENT } from '@heliarch/core/units';
import { writeRigFile } from '@heliarch/core/rig';
import { joined, NO_PIECES, piecesOf, withPiece } from '@heliarch/core/describe';
import { EMPTY, interval, switchMap } from 'rxjs';
import { packed, unpacked } from '../storage/packed-rig';
import { RigFiles } from '../storage/rig-files';
import { RigSession } from '../storage/rig-session';
import { RigOpening } from './rig-opening';
import { qrCode, readCode } from '../ui/qr-code';

const EACH_MS = 900;
const LOOK_EVERY_MS = 150;

/** Hands the open rig to a phone, and takes one: as a file, or as QR codes in turn, without any network. */
@Component({
  selector: 'heli-share-by-qr',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Dialog, NzButtonComponent, NzProgressComponent],
  templateUrl: './share-by-qr.html',
  styleUrl: './share-by-qr.css',
})
export class ShareByQr {
  protected readonly session = inject(RigSession);
  protected readonly files = inject(RigFiles);
  private readonly opening = inject(RigOpening);
  private readonly video = viewChild.required<ElementRef<HTMLVideoElement>>('video');
  readonly closed = output();

  protected readonly isRunning = signal(true);
  private readonly tick = signal(0);
  private readonly letters = toSignal(
    toObservable(this.session.rig).pipe(
      switchMap((rig) => (rig ? packed(JSON.stringify(JSON.parse(writeRigFile(rig)))) : EMPTY)),
    ),
  );
  protected readonly pictures = computed(() => {
    const letters = this.letters();
    return letters === undefined ? [] : piecesOf(letters);
  });
  protected readonly place = computed(() => this.tick() % Math.max(1, this.pictures().length));
  protected readonly shown = computed(() => {
    const piece = this.pictures()[this.place()];
    return piece === undefined ? undefined : qrCode(piece);
  });

  protected readonly isLooking = signal(false);
  protected readonly status = signal('');
  /** How much of the pictures is read. */
  protected readonly progress = signal(0);
  private camera: MediaStream | undefined;
  private pieces = NO_PIECES;

  constructor() {
    inject(LibraryStyles).bring(ProgressStyles);
    interval(EACH_MS)
      .pipe(takeUntilDestroyed())
      .subscribe(() => this.tick.update((tick) => (this.isRunning() ? tick + 1 : tick)));
    interval(LOOK_EVERY_MS)
      .pipe(takeUntilDestroyed())
      .subscribe(() => this.glance());
  }

  protected async look(): Promise<void> {
    try {
      this.camera = await navigator.mediaDevices.getUserMedia({ video: { facingMode: 'environment' } });
    } catch {
      this.status.set(
        'The camera cannot be used here: allow it, or open this page over HTTPS. A file does the same.',
      );
      return;
    }
    const video = this.video().nativeElement;
    video.srcObject = this.camera;
    await video.play();
    this.isLooking.set(true);
    this.status.set('Hold the pictures in view.');
  }

  protected leave(): void {
    this.stop();
    this.closed.emit();
  }

  private stop(): void {
    this.camera?.getTracks().forEach((track) => track.stop());
    this.camera = undefined;
    this.isLooking.set(false);
  }

  /** One look through the camera. */
  private glance(): void {
    if (!this.isLooking()) return;
    const video = this.video().nativeElement;
    const canvas = document.createElement('canvas');
    [canvas.width, canvas.height] = [video.videoWidth, video.videoHeight];
    const context = canvas.getContext('2d');
    if (!context || canvas.width === 0) return;
    context.drawImage(video, 0, 0);
    const piece = readCode(context.getImageData(0, 0, canvas.width, canvas.height));
    if (piece === undefined) return;
    this.pieces = withPiece(this.pieces, piece);
    this.progress.set((PERCENT * this.pieces.texts.size) / this.pieces.count);
    this.status.set(`${this.pieces.texts.size} of ${this.pieces.count} pictures read.`);
    const letters = joined(this.pieces);
    if (letters !== undefined) void this.take(letters);
  }

  private async take(letters: string): Promise<void> {
    this.stop();
    this.pieces = NO_PIECES;
    const text = await unpacked(letters).catch(() => undefined);
    if (text === undefined) {
      this.status.set('The pictures were not read right; hold them in view once more.');
      return;
    }
    this.opening.openText(text, 'the QR codes');
    this.leave();
  }
}
