import type { Space } from "../api/client";

/** Surface is a sock and its foot as numbers that a screen draws. */
export type Surface = {
  positions: Float32Array;
  normals: Float32Array;
  uvs: Float32Array;
  /** For every corner the number of its yarn and of the word of its stretch. */
  yarns: Uint8Array;
  words: Uint8Array;
  foot: { positions: Float32Array; index: Uint32Array };
  middle: [number, number, number];
  size: number;
};

const bytes = (text: string) => Uint8Array.from(atob(text), (c) => c.charCodeAt(0));
/** Places are told in fiftieths of a millimetre. */
const fiftieth = 1 / 50;

const placesOf = (text: string) => {
  const view = new Int16Array(bytes(text).buffer);
  return Float32Array.from(view, (v) => v * fiftieth);
};

/** Corners of a facet within its stitch, by how it lies: across and up. */
const corners: [number, number][][] = [
  [
    [0, 0],
    [1, 0],
    [0, 1],
  ],
  [
    [1, 0],
    [1, 1],
    [0, 1],
  ],
  [
    [1, 0],
    [1, 1],
    [0, 0],
  ],
  [
    [0, 0],
    [1, 1],
    [0, 1],
  ],
];

/** The picture of a stitch has two halves: knitted, and purled. */
const halves = 2;

/** unpacked makes triangles of a sock as it was sent: each corner with its light, its place on the picture of a stitch, its yarn and its word. */
export function unpacked(space: Space): Surface {
  const places = placesOf(space.places);
  const facets = new Uint32Array(bytes(space.facets).buffer);
  const looks = bytes(space.looks);
  const light = normalsOf(places, facets);
  const n = facets.length;
  const positions = new Float32Array(3 * n);
  const normals = new Float32Array(3 * n);
  const uvs = new Float32Array(2 * n);
  const yarns = new Uint8Array(n);
  const words = new Uint8Array(n);
  for (let i = 0; i < n; i++) {
    const loop = facets[i] ?? 0;
    const look = looks[Math.floor(i / 3)] ?? 0;
    for (let axis = 0; axis < 3; axis++) {
      positions[3 * i + axis] = places[3 * loop + axis] ?? 0;
      normals[3 * i + axis] = light[3 * loop + axis] ?? 0;
    }
    const [across, up] = corners[look & 3]?.[i % 3] ?? [0, 0];
    const purl = (look >> 2) & 1;
    uvs[2 * i] = (purl + across) / halves;
    uvs[2 * i + 1] = up;
    words[i] = (look >> 3) & 3;
    yarns[i] = look >> 5;
  }
  return { positions, normals, uvs, yarns, words, foot: footOf(space), ...boxOf(places) };
}

/** normalsOf are the directions in which the loops look, each the mean of its facets. */
function normalsOf(places: Float32Array, facets: Uint32Array): Float32Array {
  const sums = new Float32Array(places.length);
  const at = (loop: number, axis: number) => places[3 * loop + axis] ?? 0;
  for (let i = 0; i < facets.length; i += 3) {
    const [a = 0, b = 0, c = 0] = facets.subarray(i, i + 3);
    const u = [0, 1, 2].map((x) => at(b, x) - at(a, x));
    const v = [0, 1, 2].map((x) => at(c, x) - at(a, x));
    for (const loop of [a, b, c]) {
      for (let x = 0; x < 3; x++) {
        const [y, z] = [(x + 1) % 3, (x + 2) % 3];
        sums[3 * loop + x] =
          (sums[3 * loop + x] ?? 0) + (u[y] ?? 0) * (v[z] ?? 0) - (u[z] ?? 0) * (v[y] ?? 0);
      }
    }
  }
  for (let i = 0; i < sums.length; i += 3) {
    const long = Math.hypot(sums[i] ?? 0, sums[i + 1] ?? 0, sums[i + 2] ?? 0) || 1;
    for (let x = 0; x < 3; x++) {
      sums[i + x] = (sums[i + x] ?? 0) / long;
    }
  }
  return sums;
}

/** footOf closes the rings of the skin to a surface. */
function footOf({ foot, rings, round }: Space): Surface["foot"] {
  const positions = placesOf(foot);
  const index = new Uint32Array(6 * Math.max(rings - 1, 0) * round);
  let at = 0;
  for (let ring = 0; ring + 1 < rings; ring++) {
    for (let k = 0; k < round; k++) {
      const [a, b] = [ring * round + k, ring * round + ((k + 1) % round)];
      index.set([a, b, a + round, b, b + round, a + round], at);
      at += 6;
    }
  }
  return { positions, index };
}

function boxOf(places: Float32Array): Pick<Surface, "middle" | "size"> {
  const low = [Infinity, Infinity, Infinity];
  const high = [-Infinity, -Infinity, -Infinity];
  for (let i = 0; i < places.length; i++) {
    const axis = i % 3;
    low[axis] = Math.min(low[axis] ?? 0, places[i] ?? 0);
    high[axis] = Math.max(high[axis] ?? 0, places[i] ?? 0);
  }
  const middle = [0, 1, 2].map((x) => ((low[x] ?? 0) + (high[x] ?? 0)) / 2) as [number, number, number];
  return { middle, size: Math.max(...[0, 1, 2].map((x) => (high[x] ?? 0) - (low[x] ?? 0))) };
}
