import {
  ChangeDetectionStrategy,
  Component,
  computed,
  DestroyRef,
  effect,
  type ElementRef,
  inject,
  output,
  signal,
  viewChild,
} from '@angular/core';
import { PERCENT } from '@heliarch/core/units';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { PictureReadings } from './picture/picture-readings';
import { photoOnCanvas, WHOLE, type Crop } from './picture/plate-photo';
import type { ReadingProgress } from './picture/read-picture';

const QUARTER = 90;
const LEAST_CUT = 0.05;
const EDGES = [
  { id: 'left', name: 'Left edge' },
  { id: 'right', name: 'Right edge' },
  { id: 'top', name: 'Upper edge' },
  { id: 'bottom', name: 'Lower edge' },
] as const;

/** A picture of a plate: taken or chosen, turned, cut out, and read. It never leaves the browser. */
@Component({
  selector: 'heli-plate-picture',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [NzButtonComponent],
  templateUrl: './plate-picture.html',
  styleUrl: './plate-picture.css',
})
export class PlatePicture {
  /** What was read, in two ways. */
  readonly read = output<readonly string[]>();

  private readonly readings = new PictureReadings();
  private readonly shown = viewChild<ElementRef<HTMLElement>>('shown');
  private readonly preview = signal<HTMLCanvasElement | undefined>(undefined);
  private picture: ImageBitmap | undefined;
  private readonly turn = signal(0);
  protected readonly crop = signal<Crop>(WHOLE);
  protected readonly isCropping = signal(false);
  protected readonly hasPicture = signal(false);
  protected readonly progress = signal<ReadingProgress | undefined>(undefined);
  protected readonly problem = signal<string | undefined>(undefined);
  protected readonly hasCamera = signal(true);
  protected readonly edges = EDGES;
  private attempt = 0;
  private from: { readonly x: number; readonly y: number } | undefined;

  protected readonly progressWords = computed(() => {
    const progress = this.progress();
    if (!progress) return '';
    const percent = Math.round(PERCENT * progress.share);
    return progress.step === 'loading'
      ? 'Loading what reads pictures, once, from this server …'
      : `Reading the picture, ${percent} %`;
  });
  protected readonly frame = computed(() => {
    const { left, top, right, bottom } = this.crop();
    const percent = (share: number): string => `${PERCENT * share}%`;
    return { left: percent(left), top: percent(top), right: percent(1 - right), bottom: percent(1 - bottom) };
  });

  constructor() {
    effect(() => {
      const preview = this.preview();
      if (preview) this.shown()?.nativeElement.replaceChildren(preview);
    });
    void hasCamera().then((has) => this.hasCamera.set(has));
    inject(DestroyRef).onDestroy(() => {
      this.readings.close();
      this.picture?.close();
    });
  }

  protected async choose(input: HTMLInputElement): Promise<void> {
    const file = input.files?.[0];
    input.value = '';
    if (!file) return;
    this.problem.set(undefined);
    const picture = await createImageBitmap(file, { imageOrientation: 'from-image' }).catch(() => undefined);
    if (!picture) {
      this.problem.set(`${file.name} is no picture that this browser can open.`);
      return;
    }
    this.picture?.close();
    this.picture = picture;
    this.turn.set(0);
    this.crop.set(WHOLE);
    this.isCropping.set(false);
    this.hasPicture.set(true);
    this.show();
    await this.readIt();
  }

  /** Puts it away, for the next plate. */
  clear(): void {
    this.cancel();
    this.picture?.close();
    this.picture = undefined;
    this.hasPicture.set(false);
    this.problem.set(undefined);
  }

  protected turnBy(quarters: number): void {
    this.turn.update((degrees) => degrees + quarters * QUARTER);
    this.crop.set(WHOLE);
    this.show();
  }

  protected edge(id: keyof Crop, percent: string): void {
    const share = Number(percent) / PERCENT;
    this.crop.update((crop) => withRoom({ ...crop, [id]: share }, id));
  }

  protected beginFrame(event: PointerEvent): void {
    if (!this.isCropping()) return;
    event.preventDefault();
    this.from = shareAt(event);
    if (event.currentTarget instanceof Element) event.currentTarget.setPointerCapture(event.pointerId);
  }

  protected drawFrame(event: PointerEvent): void {
    if (!this.from) return;
    const { x, y } = shareAt(event);
    this.crop.set({
      left: Math.min(this.from.x, x),
      right: Math.max(this.from.x, x),
      top: Math.min(this.from.y, y),
      bottom: Math.max(this.from.y, y),
    });
  }

  protected endFrame(): void {
    this.from = undefined;
    const { left, top, right, bottom } = this.crop();
    if (right - left < LEAST_CUT || bottom - top < LEAST_CUT) this.crop.set(WHOLE);
  }

  protected async readIt(): Promise<void> {
    const { picture } = this;
    if (!picture) return;
    const own = (this.attempt += 1);
    this.problem.set(undefined);
    this.progress.set({ step: 'loading', share: 0 });
    try {
      const photo = photoOnCanvas(picture, this.turn(), this.crop());
      const texts = await this.readings.readingsOf(photo, (progress) => {
        if (own === this.attempt) this.progress.set(progress);
      });
      if (own !== this.attempt) return;
      if (texts.every((text) => text.trim() === ''))
        this.problem.set('No text was found in it: go closer, turn it upright, or type what you see.');
      else this.read.emit(texts);
    } catch {
      // What reads pictures tells by an exception that it cannot be loaded.
      if (own === this.attempt)
        this.problem.set('What reads pictures cannot be loaded here. Type the plate as you see it.');
    }
    if (own === this.attempt) this.progress.set(undefined);
  }

  protected cancel(): void {
    if (!this.progress()) return;
    this.attempt += 1;
    this.progress.set(undefined);
    this.readings.close();
  }

  /** The whole picture as it is turned, where it is looked at. */
  private show(): void {
    if (this.picture) this.preview.set(photoOnCanvas(this.picture, this.turn(), WHOLE));
  }
}

/** Edges never cross. */
function withRoom(crop: Crop, moved: keyof Crop): Crop {
  const { left, top, right, bottom } = crop;
  switch (moved) {
    case 'left':
      return { ...crop, left: Math.min(left, right - LEAST_CUT) };
    case 'right':
      return { ...crop, right: Math.max(right, left + LEAST_CUT) };
    case 'top':
      return { ...crop, top: Math.min(top, bottom - LEAST_CUT) };
    case 'bottom':
      return { ...crop, bottom: Math.max(bottom, top + LEAST_CUT) };
  }
}

function shareAt({ currentTarget, clientX, clientY }: PointerEvent): {
  readonly x: number;
  readonly y: number;
} {
  const box =
    currentTarget instanceof Element ? currentTarget.getBoundingClientRect() : new DOMRect(0, 0, 1, 1);
  const within = (share: number): number => Math.min(1, Math.max(0, share));
  return { x: within((clientX - box.left) / box.width), y: within((clientY - box.top) / box.height) };
}

/** False only where the browser says that there is none. */
async function hasCamera(): Promise<boolean> {
  // Over plain HTTP a browser does not say.
  const devices = (navigator as { readonly mediaDevices?: MediaDevices }).mediaDevices;
  const all = await devices?.enumerateDevices().catch(() => undefined);
  return all?.some(({ kind }) => kind === 'videoinput') ?? true;
}
