/** Invented plates, drawn as pictures the way phones see them: typefaces, tilt, noise, glare, low contrast. All numbers are made up. */

/** What a plate must be read as: quantity by quantity, at the volts that it is read for. */
export interface InventedPlate {
  readonly lines: readonly string[];
  readonly volts: number;
  readonly says: Readonly<Record<string, number | string>>;
}

export const PLATES: readonly InventedPlate[] = [
  {
    lines: ['ROOF AIR CONDITIONER', 'MODEL RA-135', '115V~ 60Hz 1PH', 'RLA 11.2 LRA 58', '13500 BTU/H'],
    volts: 120,
    says: {
      'main-volts': 115,
      'main-hertz': 60,
      'compressor-ratedLoadAmps': 11.2,
      'compressor-lockedRotorAmps': 58,
      'main-cooling': 3956,
    },
  },
  {
    lines: ['TABLE SAW', '1-1/2 HP  115/230V', '15/7.5 A  60 HZ', '3450 RPM  CODE K'],
    volts: 120,
    says: {
      'main-horsepower': 1.5,
      'main-volts': 115,
      'main-amps': 15,
      'main-hertz': 60,
      'main-rpm': 3450,
      'main-codeLetter': 'K',
    },
  },
  {
    lines: ['ELECTRIC KETTLE', '120V~ 60Hz', '1500W'],
    volts: 120,
    says: { 'main-volts': 120, 'main-hertz': 60, 'main-watts': 1500 },
  },
  {
    lines: ['WASSERKOCHER', '220-240V~ 50/60Hz', '1850-2200W'],
    volts: 230,
    says: { 'main-volts': 230, 'main-watts': 2025 },
  },
  {
    lines: ['MICROWAVE OVEN', '120V 60Hz', 'INPUT 1450W 12.5A', 'OUTPUT 1000W'],
    volts: 120,
    says: { 'main-volts': 120, 'input-watts': 1450, 'input-amps': 12.5, 'output-watts': 1000 },
  },
  {
    lines: ['MOT 1~ 230V 50Hz', '1,1 kW  7,2 A', 'cos 0,92  2850 min-1', 'IP54 S1'],
    volts: 230,
    says: { 'main-volts': 230, 'main-watts': 1100, 'main-amps': 7.2, 'main-rpm': 2850 },
  },
  {
    lines: ['AIR COMPRESSOR', 'VOLTS 120  HZ 60', 'AMPS 14.5  HP 1.8'],
    volts: 120,
    says: { 'main-volts': 120, 'main-hertz': 60, 'main-amps': 14.5, 'main-horsepower': 1.8 },
  },
  {
    lines: ['REFRIGERATOR', '115V 60Hz 1.6A', 'R-134a 0.12 kg'],
    volts: 120,
    says: { 'main-volts': 115, 'main-hertz': 60, 'main-amps': 1.6 },
  },
  {
    lines: ['DUST COLLECTOR', '1 HP 120V 60Hz', '11.5 AMPS'],
    volts: 120,
    says: { 'main-horsepower': 1, 'main-volts': 120, 'main-hertz': 60, 'main-amps': 11.5 },
  },
  {
    lines: ['SPACE HEATER', '120V AC 60Hz', '1500 W 12.5 A'],
    volts: 120,
    says: { 'main-volts': 120, 'main-watts': 1500, 'main-amps': 12.5 },
  },
];

/** A way to see a plate. */
export interface View {
  readonly name: string;
  readonly font: string;
  readonly ink: string;
  readonly paper: string;
  readonly tiltDegrees: number;
  readonly noise: number;
  readonly glare: boolean;
  /** Across the plate: a lamp at one side. */
  readonly shadow: boolean;
  /** Out of focus by so many pixels. */
  readonly blur: number;
}

const PLAIN: Omit<View, 'name' | 'font'> = {
  ink: '#111',
  paper: '#eee',
  tiltDegrees: 0,
  noise: 4,
  glare: false,
  shadow: false,
  blur: 0,
};

export const VIEWS: readonly View[] = [
  { ...PLAIN, name: 'plain', font: '600 46px "DejaVu Sans"' },
  {
    ...PLAIN,
    name: 'serif, tilted',
    font: '600 46px "DejaVu Serif"',
    tiltDegrees: 4,
    noise: 10,
    paper: '#dcdcd8',
  },
  {
    ...PLAIN,
    name: 'mono, light on dark',
    font: '600 42px "DejaVu Sans Mono"',
    ink: '#e8e8e0',
    paper: '#22262c',
  },
  {
    ...PLAIN,
    name: 'narrow, glare',
    font: '600 48px "DejaVu Sans Condensed"',
    ink: '#222',
    paper: '#b9bcc0',
    tiltDegrees: -2,
    noise: 12,
    glare: true,
  },
  {
    ...PLAIN,
    name: 'low contrast',
    font: '600 46px "DejaVu Sans"',
    ink: '#7d7a72',
    paper: '#a39f95',
    tiltDegrees: 1,
    noise: 8,
  },
  {
    ...PLAIN,
    name: 'small, noisy',
    font: '500 28px "Barlow"',
    ink: '#1b1b1b',
    paper: '#c9c6bd',
    tiltDegrees: -3,
    noise: 26,
    glare: true,
  },
  {
    ...PLAIN,
    name: 'in shadow',
    font: '600 40px "Barlow Semi Condensed"',
    paper: '#c4c7c9',
    shadow: true,
    noise: 10,
    tiltDegrees: 2,
  },
  {
    ...PLAIN,
    name: 'stamped metal, shadow and glare',
    font: '500 38px "DejaVu Sans"',
    ink: '#6c7076',
    paper: '#9ea2a8',
    shadow: true,
    glare: true,
    noise: 9,
    blur: 1,
  },
];

/** Draws a plate on a canvas of the page; runs in the browser. */
export function drawPlate({ lines }: InventedPlate, view: View, seed: number): HTMLCanvasElement {
  const canvas = document.createElement('canvas');
  canvas.width = 1280;
  canvas.height = 800;
  const context = canvas.getContext('2d')!;
  let state = seed;
  const random = (): number => {
    state = (state * 1664525 + 1013904223) % 4294967296;
    return state / 4294967296;
  };
  context.fillStyle = '#6d6a64';
  context.fillRect(0, 0, canvas.width, canvas.height);
  context.translate(640, 400);
  context.rotate((view.tiltDegrees * Math.PI) / 180);
  context.fillStyle = view.paper;
  context.fillRect(-560, -320, 1120, 640);
  context.fillStyle = view.ink;
  context.font = view.font;
  const size = Number(/(\d+)px/.exec(view.font)![1]);
  lines.forEach((line, index) => context.fillText(line, -500, -320 + 90 + index * size * 1.9));
  if (view.glare) {
    const glare = context.createRadialGradient(180, -120, 20, 180, -120, 420);
    glare.addColorStop(0, 'rgba(255,255,255,0.55)');
    glare.addColorStop(1, 'rgba(255,255,255,0)');
    context.fillStyle = glare;
    context.fillRect(-560, -320, 1120, 640);
  }
  if (view.shadow) {
    const shadow = context.createLinearGradient(-560, -320, 560, 320);
    shadow.addColorStop(0, 'rgba(0,0,0,0)');
    shadow.addColorStop(0.55, 'rgba(0,0,0,0.35)');
    shadow.addColorStop(1, 'rgba(0,0,0,0.8)');
    context.fillStyle = shadow;
    context.fillRect(-560, -320, 1120, 640);
  }
  if (view.blur > 0) {
    context.resetTransform();
    context.filter = `blur(${view.blur}px)`;
    context.drawImage(canvas, 0, 0);
  }
  const picture = context.getImageData(0, 0, canvas.width, canvas.height);
  for (let at = 0; at < picture.data.length; at += 4) {
    const grain = (random() - 0.5) * 2 * view.noise;
    for (let channel = 0; channel < 3; channel += 1) picture.data[at + channel]! += grain;
  }
  context.putImageData(picture, 0, 0);
  return canvas;
}
