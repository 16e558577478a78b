import {
  AmbientLight,
  BufferAttribute,
  BufferGeometry,
  CanvasTexture,
  Color,
  DirectionalLight,
  DoubleSide,
  Mesh,
  MeshLambertMaterial,
  PerspectiveCamera,
  RepeatWrapping,
  Scene,
  SRGBColorSpace,
  WebGLRenderer,
} from "three";
import type { Surface } from "./surface";

/** Look is from where the sock is seen: round it, from above or below, and from how near. */
export type Look = { round: number; up: number; near: number };

/** A sock with the colours of its yarns. */
export type Dyed = { surface: Surface; yarns: string[] };

/** Colours of the words of stretch and of the foot, as the page has them. */
export type Colours = { words: string[]; foot: string };

export type Stage = {
  draw: (look: Look, pull: boolean) => void;
  resize: (width: number, height: number) => void;
  leave: () => void;
};

/** The picture of a stitch, in pixels: a knitted half and a purled one. */
const tile = 64;

/** stitchPicture draws the light on the two legs of a stitch, and on the bump of a purl. */
function stitchPicture(): HTMLCanvasElement {
  const canvas = document.createElement("canvas");
  canvas.width = 2 * tile;
  canvas.height = tile;
  const pen = canvas.getContext("2d");
  if (!pen) {
    return canvas;
  }
  pen.fillStyle = "#a8a8a8";
  pen.fillRect(0, 0, 2 * tile, tile);
  pen.lineCap = "round";
  const stroke = (width: number, colour: string, lines: [number, number][][]) => {
    pen.lineWidth = width * tile;
    pen.strokeStyle = colour;
    for (const line of lines) {
      pen.beginPath();
      for (const [x, y] of line) {
        pen.lineTo(x * tile, (1 - y) * tile);
      }
      pen.stroke();
    }
  };
  // Between two stitches: the right leg of the one, the left leg of the other.
  const legs: [number, number][][] = [-1, 0, 1].flatMap((dy) => [
    [
      [0.05, dy],
      [0.42, dy + 0.95],
    ],
    [
      [0.95, dy],
      [0.58, dy + 0.95],
    ],
  ]);
  stroke(0.36, "#e2e2e2", legs);
  stroke(0.16, "#ffffff", legs);
  pen.save();
  pen.beginPath();
  pen.rect(tile, 0, tile, tile);
  pen.clip();
  const bumps: [number, number][][] = [-1, 0, 1].map((dx) => [
    [1 + dx, 0.35],
    [1.25 + dx, 0.6],
    [1.75 + dx, 0.6],
    [2 + dx, 0.35],
  ]);
  stroke(0.52, "#e2e2e2", bumps);
  stroke(0.22, "#ffffff", bumps);
  pen.restore();
  return canvas;
}

/** How far from the middle two socks stand that are on the feet of one person, in mm. */
const stance = 68;

/** dyed gives every corner the colour of its number. */
function dyed(numbers: Uint8Array, list: string[]): BufferAttribute {
  const colours = list.map((c) => new Color(c));
  const out = new Float32Array(3 * numbers.length);
  numbers.forEach((n, i) => {
    const c = colours[n % colours.length];
    out.set([c?.r ?? 1, c?.g ?? 1, c?.b ?? 1], 3 * i);
  });
  return new BufferAttribute(out, 3);
}

/** clothOf is the sock as triangles. */
function clothOf(surface: Surface): BufferGeometry {
  const cloth = new BufferGeometry();
  cloth.setAttribute("position", new BufferAttribute(surface.positions, 3));
  cloth.setAttribute("normal", new BufferAttribute(surface.normals, 3));
  cloth.setAttribute("uv", new BufferAttribute(surface.uvs, 2));
  return cloth;
}

/** skinOf is the foot in it. */
function skinOf(surface: Surface): BufferGeometry {
  const skin = new BufferGeometry();
  skin.setAttribute("position", new BufferAttribute(surface.foot.positions, 3));
  skin.setIndex(new BufferAttribute(surface.foot.index, 1));
  skin.computeVertexNormals();
  return skin;
}

/**
 * stageOf puts socks on a canvas, each on its foot: one, or the left and the right one
 * beside each other as feet stand. It throws where the browser draws nothing in space.
 */
export function stageOf(canvas: HTMLCanvasElement, socks: Dyed[], colours: Colours): Stage {
  const renderer = new WebGLRenderer({ canvas, antialias: true, alpha: true });
  const scene = new Scene();
  const camera = new PerspectiveCamera(28, 1, 10, 4000);
  const sun = new DirectionalLight(0xffffff, 2.6);
  scene.add(new AmbientLight(0xffffff, 1.7), sun);

  const picture = new CanvasTexture(stitchPicture());
  picture.colorSpace = SRGBColorSpace;
  picture.wrapT = RepeatWrapping;
  picture.anisotropy = 4;
  const wool = new MeshLambertMaterial({ map: picture, vertexColors: true, side: DoubleSide });
  const foot = new MeshLambertMaterial({ color: colours.foot, side: DoubleSide });
  const pieces = socks.map(({ surface, yarns }, i) => {
    const [cloth, skin] = [clothOf(surface), skinOf(surface)];
    for (const mesh of [new Mesh(cloth, wool), new Mesh(skin, foot)]) {
      mesh.position.z = socks.length === 1 ? 0 : stance * (1 - 2 * i);
      scene.add(mesh);
    }
    return { cloth, skin, knitted: dyed(surface.yarns, yarns), pulled: dyed(surface.words, colours.words) };
  });

  const mean = (of: (s: Surface) => number) =>
    socks.reduce((sum, s) => sum + of(s.surface), 0) / socks.length;
  const [mx, my] = [mean((s) => s.middle[0]), mean((s) => s.middle[1])];
  const mz = socks.length === 1 ? mean((s) => s.middle[2]) : 0;
  const size = Math.max(...socks.map((s) => s.surface.size));
  return {
    draw: (look, pull) => {
      for (const { cloth, knitted, pulled } of pieces) {
        cloth.setAttribute("color", pull ? pulled : knitted);
      }
      const far = ((socks.length === 1 ? 2.5 : 3.1) * size) / look.near;
      const level = Math.cos(look.up) * far;
      camera.position.set(
        mx - Math.sin(look.round) * level,
        my + Math.sin(look.up) * far,
        mz + Math.cos(look.round) * level,
      );
      camera.lookAt(mx, my, mz);
      sun.position.copy(camera.position).sub({ x: 260, y: -420, z: 0 });
      renderer.render(scene, camera);
    },
    resize: (width, height) => {
      renderer.setPixelRatio(Math.min(window.devicePixelRatio, 2));
      renderer.setSize(width, height, false);
      camera.aspect = width / Math.max(height, 1);
      camera.updateProjectionMatrix();
    },
    leave: () => {
      for (const { cloth, skin } of pieces) {
        cloth.dispose();
        skin.dispose();
      }
      for (const thing of [wool, foot, picture, renderer]) {
        thing.dispose();
      }
    },
  };
}
