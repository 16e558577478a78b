import type { Move } from "./useHands";

export type Picture = Move["steps"][number]["picture"];
type Body = Picture["bodies"][number];
type Part = Body["part"];

/** Place is a point of a line: x to the right, y downwards, z towards whoever looks. */
export type Place = [number, number, number];

/** Line is a body cut into pieces that each lie in one depth. */
export type Line = { part: Part; tip: boolean; places: Place[]; left: number[]; key: string };

/** How thick each part is, in units of a picture. */
const widths: Record<Part, number> = {
  yarn: 16.8,
  now: 16.8,
  about: 16.8,
  other: 16.8,
  needle: 24,
  working: 24,
  cable: 8,
  pin: 6,
  skin: 52,
  hint: 5.2,
};

const isRod = (part: Part) => part === "needle" || part === "working";
const isYarn = (part: Part) => part === "yarn" || part === "now" || part === "about" || part === "other";

/** A needle grows thinner over so long a way to its tip, and is so thick there. */
const taper = 60;
const pointed = 4.4;
const rim = 4;
/** What lies near is looked for in cells of a grid, so wide. */
const cell = 80;
/** A line covers itself only where it comes round again: so many pieces on. */
const again = 11;

/** Ink is the colour of a part: its middle, its edge, where the light falls and its twist. */
type Ink = { body: string; edge: string; light: string; ply: string };

/** Inks are the colours of the parts, and the paper. */
export type Inks = Record<Part, Ink> & { paper: string };

const names: Record<Part, string> = {
  yarn: "--hands-wait",
  now: "--hands-now",
  about: "--hands-about",
  other: "--hands-other",
  needle: "--hands-rod",
  working: "--hands-works",
  cable: "--shaft",
  pin: "--ink",
  skin: "--hands-skin",
  hint: "--rosehip",
};

/** inksOf reads the colours of the page where a picture stands. */
export function inksOf(element: Element): Inks {
  const style = getComputedStyle(element);
  const of = (name: string) => style.getPropertyValue(name).trim();
  const inks = { paper: of("--paper") } as Inks;
  for (const part of Object.keys(names) as Part[]) {
    const body = of(names[part]);
    inks[part] = { body, edge: mix(body, 0, 0.36), light: mix(body, 255, 0.2), ply: mix(body, 255, 0.45) };
  }
  return inks;
}

/** mix takes so much of black (0) or white (255) into a colour that is written #rrggbb. */
function mix(colour: string, tone: number, share: number): string {
  const parts = [1, 3, 5].map((i) => Number.parseInt(colour.slice(i, i + 2), 16));
  return `rgb(${parts.map((v) => Math.round(v * (1 - share) + tone * share)).join(" ")})`;
}

const flat = (a: Place, b: Place) => Math.hypot(b[0] - a[0], b[1] - a[1]);

/** placesOf are the points of a body. */
export function placesOf(at: number[]): Place[] {
  const list: Place[] = [];
  for (let i = 0; i + 2 < at.length; i += 3) {
    list.push([at[i] as number, at[i + 1] as number, at[i + 2] as number]);
  }
  return list;
}

/** curve runs through all points of a body: at each as from the one before to the one after, the nearer one counting for more. */
export function curve(points: Place[], piece: number): Place[] {
  const first = points[0];
  if (!first || points.length < 2) {
    return points;
  }
  const slope = (p: Place, q: Place) => {
    const d = Math.max(1e-6, Math.hypot(q[0] - p[0], q[1] - p[1], q[2] - p[2]));
    return { to: [(q[0] - p[0]) / d, (q[1] - p[1]) / d, (q[2] - p[2]) / d] as Place, d };
  };
  const runs = points.map((p, i): Place => {
    const before = points[i - 1];
    const after = points[i + 1];
    if (!before || !after) {
      return slope(before ?? p, before ? p : (after as Place)).to;
    }
    const a = slope(before, p);
    const b = slope(p, after);
    return [0, 1, 2].map(
      (k) => ((a.to[k] as number) * b.d + (b.to[k] as number) * a.d) / (a.d + b.d),
    ) as Place;
  });
  const list: Place[] = [first];
  for (let i = 0; i + 1 < points.length; i++) {
    const [p, q, from, to] = [points[i], points[i + 1], runs[i], runs[i + 1]] as [Place, Place, Place, Place];
    const span = Math.max(1e-6, Math.hypot(q[0] - p[0], q[1] - p[1], q[2] - p[2]));
    const n = Math.max(1, Math.ceil(flat(p, q) / piece));
    for (let k = 1; k <= n; k++) {
      const t = k / n;
      const [a, b] = [2 * t ** 3 - 3 * t ** 2 + 1, 3 * t ** 2 - 2 * t ** 3];
      const [c, d] = [(t ** 3 - 2 * t ** 2 + t) * span, (t ** 3 - t ** 2) * span];
      list.push([
        a * p[0] + b * q[0] + c * from[0] + d * to[0],
        a * p[1] + b * q[1] + c * from[1] + d * to[1],
        a * p[2] + b * q[2] + c * from[2] + d * to[2],
      ]);
    }
  }
  return list;
}

/** lineOf cuts a body into pieces. */
export function lineOf(body: Pick<Body, "part" | "key" | "tip">, points: Place[]): Line {
  const places = curve(points, body.part === "skin" ? 1000 : 6);
  const left = new Array<number>(places.length).fill(0);
  for (let i = places.length - 2; i >= 0; i--) {
    left[i] = (left[i + 1] as number) + flat(places[i] as Place, places[i + 1] as Place);
  }
  return { part: body.part, tip: body.tip === true, places, left, key: body.key };
}

function radius(line: Line, i: number): number {
  const left = line.left[i] ?? 0;
  const r = widths[line.part] / 2;
  return line.tip && left < taper ? pointed / 2 + (r - pointed / 2) * (left / taper) ** 0.75 : r;
}

/** paint lays a picture down, the deepest piece first; where one passes over another the paper shows on both its sides. */
export function paint(ctx: CanvasRenderingContext2D, lines: Line[], inks: Inks): void {
  const bits: Bit[] = [];
  lines.forEach((line, of) => {
    for (let i = 0; i + 1 < line.places.length; i++) {
      const [p, q] = [line.places[i], line.places[i + 1]] as [Place, Place];
      bits.push({ line, of, i, z: p[2] + q[2], x: p[0], y: p[1], r: radius(line, i) });
    }
  });
  bits.sort((a, b) => a.z - b.z || a.of - b.of || a.i - b.i);
  const near = new Map<number, number[]>();
  const spot = (x: number, y: number) => Math.floor(x / cell) * 4096 + Math.floor(y / cell);
  bits.forEach((bit, n) => {
    const at = spot(bit.x, bit.y);
    const there = near.get(at);
    there ? there.push(n) : near.set(at, [n]);
  });
  // A piece that lies below all that it meets is painted with the first, one above all with the last, each as one stroke with
  // those beside it; only what lies between others has its place in the order.
  const of: Layer[][] = lines.map((line) => new Array(Math.max(0, line.places.length - 1)).fill("bottom"));
  bits.forEach((bit, n) => {
    const [over, under] = meets(bits, near, spot, n);
    if (over) {
      (of[bit.of] as Layer[])[bit.i] = under ? "between" : "top";
    }
  });
  ctx.lineJoin = "round";
  runs(ctx, lines, of, inks, "bottom");
  bits.forEach(({ line, i, r, of: n }) => {
    if ((of[n] as Layer[])[i] === "between") {
      rimmed(ctx, line, i, i + 1, r, inks);
    }
  });
  runs(ctx, lines, of, inks, "top");
}

/** Layer is where a piece lies among those that it meets. */
type Layer = "bottom" | "between" | "top";

type Bit = { line: Line; of: number; i: number; z: number; x: number; y: number; r: number };

/** meets says whether a piece lies over another one, and whether it lies under one. */
function meets(
  bits: Bit[],
  near: Map<number, number[]>,
  spot: (x: number, y: number) => number,
  n: number,
): [boolean, boolean] {
  const bit = bits[n] as Bit;
  let [over, under] = [false, false];
  for (let dx = -1; dx <= 1; dx++) {
    for (let dy = -1; dy <= 1; dy++) {
      for (const k of near.get(spot(bit.x + dx * cell, bit.y + dy * cell)) ?? []) {
        const other = bits[k] as Bit;
        const reach = bit.r + other.r + rim + 2;
        if (
          (other.of === bit.of && Math.abs(other.i - bit.i) < again) ||
          (other.x - bit.x) ** 2 + (other.y - bit.y) ** 2 >= reach * reach
        ) {
          continue;
        }
        over = over || k < n;
        under = under || k > n;
      }
    }
  }
  return [over, under];
}

/** runs draws the stretches of bodies that lie in a layer. Where a needle grows thinner they are short. */
function runs(ctx: CanvasRenderingContext2D, lines: Line[], of: Layer[][], inks: Inks, layer: Layer): void {
  lines.forEach((line, n) => {
    const layers = of[n] as Layer[];
    for (let k = 0; k < layers.length; ) {
      if (layers[k] !== layer) {
        k++;
        continue;
      }
      const from = k;
      for (k++; layers[k] === layer; k++) {}
      const r = radius(line, (from + k) >> 1);
      if (layer === "top") {
        rimmed(ctx, line, from, k, r, inks);
      } else {
        lay(ctx, line, from - 1, k + 1, r, inks[line.part]);
      }
    }
  });
}

/** rimmed draws a stretch with the paper showing on both its sides. */
function rimmed(
  ctx: CanvasRenderingContext2D,
  line: Line,
  from: number,
  to: number,
  r: number,
  inks: Inks,
): void {
  if (line.part !== "hint") {
    stroke(ctx, line, from - 1, to + 1, 2 * r + 2 * rim, inks.paper, "butt");
  }
  // So that no rim bites into its own line; a straight one needs no more than its rim.
  const beside = isRod(line.part) ? 1 : 2;
  lay(ctx, line, from - beside, to + beside, r, inks[line.part]);
}

/** lay draws a stretch of a body: round, twisted, lit from above. */
function lay(ctx: CanvasRenderingContext2D, line: Line, from: number, to: number, r: number, ink: Ink): void {
  const { part } = line;
  if (part === "hint" || part === "cable" || part === "pin") {
    stroke(ctx, line, from, to, 2 * r, ink.body, "round");
    return;
  }
  if (isRod(part)) {
    layRod(ctx, line, from, to, r, ink);
    return;
  }
  const cap = part === "skin" ? "round" : "butt";
  stroke(ctx, line, from, to, 2 * r, ink.edge, cap);
  stroke(ctx, line, from, to, part === "skin" ? 2 * r - 3 : 1.6 * r, ink.body, cap);
  if (isYarn(part)) {
    stroke(ctx, line, from, to, r * 0.55, ink.light, "butt", -r * 0.3);
    twist(ctx, line, from, to, r, ink.ply, part === "about" ? -1 : 1);
  }
}

/** layRod draws a stretch of a needle, which may grow thinner: first its edge, then its middle, then the light on it. */
function layRod(
  ctx: CanvasRenderingContext2D,
  line: Line,
  from: number,
  to: number,
  r: number,
  ink: Ink,
): void {
  const ends = [Math.max(0, from), Math.min(to, line.places.length - 1)] as const;
  const thins = line.tip && (line.left[ends[1]] ?? 0) < taper;
  for (const [wide, colour, up] of [
    [2, ink.edge, 0],
    [1.7, ink.body, 0],
    [0.4, ink.light, -0.4],
  ] as const) {
    if (!thins) {
      stroke(ctx, line, ends[0], ends[1], wide * r, colour, "butt", up * r);
      continue;
    }
    for (let k = ends[0]; k < ends[1]; k++) {
      const here = radius(line, k);
      stroke(ctx, line, k, k + 1, wide * here, colour, "round", up * here);
    }
  }
}

/** twist draws the plies of a stretch of yarn: short slanting strokes over it. */
function twist(
  ctx: CanvasRenderingContext2D,
  line: Line,
  from: number,
  to: number,
  r: number,
  ink: string,
  way: number,
): void {
  const [across, along] = [r * 0.42 * way, r * 0.5];
  ctx.strokeStyle = ink;
  ctx.lineWidth = r * 0.2;
  ctx.lineCap = "round";
  ctx.beginPath();
  for (let k = Math.max(1, from + 1); k < Math.min(to, line.places.length - 1); k++) {
    if (k % 2 === 0) {
      const [a, p, b] = [line.places[k - 1], line.places[k], line.places[k + 1]] as [Place, Place, Place];
      const d = Math.max(1e-6, flat(a, b));
      const [tx, ty] = [(b[0] - a[0]) / d, (b[1] - a[1]) / d];
      ctx.moveTo(p[0] - tx * along - ty * across, p[1] - ty * along + tx * across);
      ctx.lineTo(p[0] + tx * along + ty * across, p[1] + ty * along - tx * across);
    }
  }
  ctx.stroke();
}

function stroke(
  ctx: CanvasRenderingContext2D,
  line: Line,
  from: number,
  to: number,
  width: number,
  ink: string,
  cap: CanvasLineCap,
  up = 0,
): void {
  ctx.strokeStyle = ink;
  ctx.lineWidth = width;
  ctx.lineCap = cap;
  ctx.beginPath();
  for (let k = Math.max(0, from); k <= Math.min(to, line.places.length - 1); k++) {
    const [x, y] = line.places[k] as Place;
    ctx.lineTo(x, y + up);
  }
  ctx.stroke();
}

/** paintPicture draws a whole picture on a canvas that is so many of its units wide. */
export function paintPicture(canvas: HTMLCanvasElement, picture: Picture, inks: Inks, lines?: Line[]): void {
  const ctx = canvas.getContext("2d");
  if (!ctx) {
    return;
  }
  ctx.setTransform(1, 0, 0, 1, 0, 0);
  ctx.fillStyle = inks.paper;
  ctx.fillRect(0, 0, canvas.width, canvas.height);
  const scale = canvas.width / picture.width;
  ctx.setTransform(scale, 0, 0, scale, 0, 0);
  paint(ctx, lines ?? picture.bodies.map((b) => lineOf(b, placesOf(b.at))), inks);
}
