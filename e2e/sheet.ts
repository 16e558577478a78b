import type { Page } from "@playwright/test";

// A drawn tracing of known size: an A4 sheet with the outline of a foot, seen
// from straight above or projected as a camera at a slant sees it.

type Point = [number, number];

/** What is on the sheet, in mm from its first corner; the long side runs along x. */
const heel: Point = [22, 92];
/** 251 mm from the heel: 249.8² + 24.5² = 251². */
const toe: Point = [271.8, 116.5];
/** Along the foot and across it, as unit vectors. */
const along: Point = [249.8 / 251, 24.5 / 251];
const across: Point = [-along[1], along[0]];
const onFoot = (far: number, aside: number): Point => [
  heel[0] + along[0] * far + across[0] * aside,
  heel[1] + along[1] * far + across[1] * aside,
];

/** The middle of the ball lies 8 mm to the outer side, 178 mm along: seen from the line through it the tip lies inward. */
const turned = Math.atan2(8, 178);
export const truth = {
  length: 251,
  width: 96,
  toeDepth: 52,
  tipInward: 251 * Math.sin(turned),
  littleToeOutward: 50 * Math.cos(turned) - (251 - 52) * Math.sin(turned),
};

const onSheet: Record<string, Point> = {
  "corner 1": [0, 0],
  "corner 2": [297, 0],
  "corner 3": [297, 210],
  "corner 4": [0, 210],
  "scale 1": [40, 190],
  "scale 2": [240, 190],
  heel,
  toe,
  "ball 1": onFoot(182, -40),
  "ball 2": onFoot(174, 56),
  "little toe": onFoot(251 - 52, 50),
};

const outline: Point[] = [
  heel,
  onFoot(14, -26),
  onFoot(70, -26),
  onFoot(130, -28),
  onFoot(182, -40),
  onFoot(225, -38),
  onFoot(246, -18),
  toe,
  onFoot(244, 22),
  onFoot(225, 40),
  onFoot(199, 50),
  onFoot(174, 56),
  onFoot(110, 40),
  onFoot(60, 32),
  onFoot(14, 26),
];

/** project takes a place on the sheet to the picture: (ax+by+c, dx+ey+f) / (gx+hy+1). */
const project =
  (slanted: boolean) =>
  ([x, y]: Point): Point => {
    if (!slanted) {
      return [80 + 3.4 * x, 90 + 3.4 * y];
    }
    const w = 1 + 0.0007 * x + 0.0016 * y;
    return [(140 + 4.3 * x + 0.9 * y) / w, (130 + 0.35 * x + 4.4 * y) / w];
  };

/** drawSheet draws the picture in the browser and gives it as a file. */
export async function drawSheet(page: Page, slanted: boolean, kind = "image/png"): Promise<Buffer> {
  const through = project(slanted);
  const shapes = {
    sheet: ["corner 1", "corner 2", "corner 3", "corner 4"].map((name) => through(onSheet[name] as Point)),
    outline: outline.map(through),
    ruler: Array.from({ length: 21 }, (_, i) => [through([40 + i * 10, 190]), through([40 + i * 10, 184])]),
    kind,
  };
  const url = await page.evaluate((drawn) => {
    const canvas = document.createElement("canvas");
    canvas.width = 1200;
    canvas.height = 900;
    const c = canvas.getContext("2d") as CanvasRenderingContext2D;
    c.fillStyle = "#8a7a63";
    c.fillRect(0, 0, 1200, 900);
    const path = (points: number[][]) => {
      c.beginPath();
      for (const [x = 0, y = 0] of points) {
        c.lineTo(x, y);
      }
      c.closePath();
    };
    c.fillStyle = "#fbf9f2";
    path(drawn.sheet);
    c.fill();
    c.strokeStyle = "#2b3a52";
    c.lineWidth = 2.5;
    c.lineJoin = "round";
    // A pencil goes round a foot in one curve, through every point.
    const round = drawn.outline;
    const at = (i: number) => round[(i + round.length) % round.length] ?? [0, 0];
    c.beginPath();
    c.moveTo(at(0)[0] ?? 0, at(0)[1] ?? 0);
    for (let i = 0; i < round.length; i++) {
      const [before, from, to, after] = [at(i - 1), at(i), at(i + 1), at(i + 2)] as [
        Point,
        Point,
        Point,
        Point,
      ];
      c.bezierCurveTo(
        from[0] + (to[0] - before[0]) / 6,
        from[1] + (to[1] - before[1]) / 6,
        to[0] - (after[0] - from[0]) / 6,
        to[1] - (after[1] - from[1]) / 6,
        ...to,
      );
    }
    c.closePath();
    c.stroke();
    c.lineWidth = 1.5;
    for (const [from = [0, 0], to = [0, 0]] of drawn.ruler) {
      c.beginPath();
      c.moveTo(from[0] ?? 0, from[1] ?? 0);
      c.lineTo(to[0] ?? 0, to[1] ?? 0);
      c.stroke();
    }
    return canvas.toDataURL(drawn.kind, 0.9);
  }, shapes);
  return Buffer.from(url.split(",")[1] ?? "", "base64");
}

/** setMarks sets marks by pointing at their places on the picture. */
export async function setMarks(page: Page, slanted: boolean, names: string[]): Promise<void> {
  const through = project(slanted);
  for (const name of names) {
    const on = await page.locator(".feet-marking__marked-picture").evaluate(
      (svg, [x, y]) => {
        const matrix = (svg as SVGSVGElement).getScreenCTM() as DOMMatrix;
        const point = new DOMPoint(x, y).matrixTransform(matrix);
        return [point.x, point.y];
      },
      through(onSheet[name] as Point),
    );
    await page.mouse.click(on[0] ?? 0, on[1] ?? 0);
  }
}
