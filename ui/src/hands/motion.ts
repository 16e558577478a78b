import { curve, type Line, lineOf, type Picture, type Place, placesOf } from "./paint";

/** How long one step moves, in milliseconds. */
export const lasts = 1500;

type Body = Picture["bodies"][number];

/** How many places of a body move by themselves. */
const places = 64;

/** between is a picture on its way to the next one: what has the same key moves, all else stands still. */
export function between(from: Picture, to: Picture, t: number): Line[] {
  const was = new Map(from.bodies.map((b) => [b.key, b]));
  const ease = t * t * (3 - 2 * t);
  const lines: Line[] = [];
  const winds = to.bodies.find((b) => b.key === winding);
  const moved = new Set<string>();
  for (const body of to.bodies) {
    if (body.part === "hint") {
      continue; // an arrow says what comes, a ring what to look at: both belong to the end
    }
    const before = was.get(body.key) ?? (winds ? undefined : newLoop(body, was, from));
    if (winds && (body.key === winding || body.key === "yarn")) {
      continue;
    }
    if (before) {
      moved.add(before.key);
      lines.push(alike(before, body) ? lineOf(body, placesOf(body.at)) : morph(before, body, ease));
    } else if (ease > 0.5) {
      lines.push(lineOf(body, placesOf(body.at)));
    }
  }
  if (winds) {
    lines.push(...wound(was.get("yarn"), winds, to, ease));
    moved.add("yarn");
  }
  if (ease <= 0.5) {
    for (const body of from.bodies) {
      if (body.part !== "hint" && !moved.has(body.key)) {
        lines.push(lineOf(body, placesOf(body.at)));
      }
    }
  }
  return lines;
}

/** winding is the strand round the tip, that becomes the next loop. */
const winding = "l-next";

/** newLoop is what a loop that was just drawn through was before: the strand round the tip. */
function newLoop(body: Body, was: Map<string, Body>, from: Picture): Body | undefined {
  const strand = was.get(winding);
  return strand &&
    body.part === "now" &&
    body.key.startsWith("l") &&
    !from.bodies.some((b) => b.key === body.key)
    ? strand
    : undefined;
}

const alike = (a: Body, b: Body) => a.at.length === b.at.length && a.at.every((v, i) => v === b.at[i]);

/** spread are so many places along a body, as far from each other. */
function spread(points: Place[], n: number): Place[] {
  const fine = curve(points, 6);
  const way = [0];
  for (let i = 1; i < fine.length; i++) {
    const [a, b] = [fine[i - 1], fine[i]] as [Place, Place];
    way.push((way[i - 1] as number) + Math.hypot(b[0] - a[0], b[1] - a[1], b[2] - a[2]));
  }
  const whole = way.at(-1) as number;
  const list: Place[] = [];
  let i = 1;
  for (let k = 0; k < n; k++) {
    const at = (whole * k) / (n - 1);
    while (i < fine.length - 1 && (way[i] as number) < at) {
      i++;
    }
    const [a, b] = [fine[i - 1], fine[i]] as [Place, Place];
    const span = Math.max(1e-6, (way[i] as number) - (way[i - 1] as number));
    list.push(toward(a, b, Math.min(1, Math.max(0, (at - (way[i - 1] as number)) / span))));
  }
  return list;
}

const toward = (a: Place, b: Place, t: number): Place => [
  a[0] + (b[0] - a[0]) * t,
  a[1] + (b[1] - a[1]) * t,
  a[2] + (b[2] - a[2]) * t,
];

/** morph is a body on its way from one place to another. */
function morph(from: Body, to: Body, t: number): Line {
  const [a, b] = [spread(placesOf(from.at), places), spread(placesOf(to.at), places)];
  return lineOf(
    t < 0.5 ? from : to,
    a.map((p, i) => toward(p, b[i] as Place, t)),
  );
}

/** wound is the yarn that runs round the tip along its whole length: what is laid stays, what is to come follows the hand. */
function wound(yarn: Body | undefined, loop: Body, to: Picture, t: number): Line[] {
  const next = to.bodies.find((b) => b.key === "yarn");
  if (!yarn || !next) {
    return [];
  }
  const laid = spread(placesOf(loop.at), places);
  const at = Math.max(1, Math.round(t * (places - 1)));
  const end = laid[at] as Place;
  const [was, will] = [spread(placesOf(yarn.at), places), spread(placesOf(next.at), places)];
  const hand = was.map((p, i) => toward(p, will[i] as Place, t));
  const off = [0, 1, 2].map((k) => (end[k] as number) - ((hand[0] as Place)[k] as number));
  const follows = hand.map((p, i): Place => {
    const pull = (1 - i / (places - 1)) ** 2;
    return [
      p[0] + (off[0] as number) * pull,
      p[1] + (off[1] as number) * pull,
      p[2] + (off[2] as number) * pull,
    ];
  });
  return [lineOf(loop, laid.slice(0, at + 1)), lineOf(next, follows)];
}
