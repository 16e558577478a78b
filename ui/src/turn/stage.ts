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

export const firstLook: Look = { round: 0.35, up: 0.25, near: 1 };

/** Colours of the stage, as the page has them. */
export type Dyes = { yarns: string[]; words: string[]; foot: string };

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

/** stageOf puts a sock on a canvas; it throws where the browser draws nothing in space. */
export function stageOf(canvas: HTMLCanvasElement, surface: Surface, dyes: Dyes): Stage {
  const renderer = new WebGLRenderer({ canvas, antialias: true, alpha: true });
  const scene = new Scene();
  const camera = new PerspectiveCamera(28, 1, 10, 4000);
  const sun = new DirectionalLight(0xffffff, 2.6);
  scene.add(new AmbientLight(0xffffff, 1.7), sun);

  const picture = new CanvasTexture(stitchPicture());
  picture.colorSpace = SRGBColorSpace;
  picture.wrapT = RepeatWrapping;
  picture.anisotropy = 4;
  const cloth = new BufferGeometry();
  cloth.setAttribute("position", new BufferAttribute(surface.positions, 3));
  cloth.setAttribute("normal", new BufferAttribute(surface.normals, 3));
  cloth.setAttribute("uv", new BufferAttribute(surface.uvs, 2));
  const dyed = (numbers: Uint8Array, list: string[]) => {
    const colours = list.map((c) => new Color(c));
    const out = new Float32Array(3 * numbers.length);
    numbers.forEach((n, i) => {
      const c = colours[n % colours.length];
      out.set([c?.r ?? 1, c?.g ?? 1, c?.b ?? 1], 3 * i);
    });
    return new BufferAttribute(out, 3);
  };
  const asKnitted = dyed(surface.yarns, dyes.yarns);
  const asPulled = dyed(surface.words, dyes.words);
  const wool = new MeshLambertMaterial({ map: picture, vertexColors: true, side: DoubleSide });
  scene.add(new Mesh(cloth, wool));

  const skin = new BufferGeometry();
  skin.setAttribute("position", new BufferAttribute(surface.foot.positions, 3));
  skin.setIndex(new BufferAttribute(surface.foot.index, 1));
  skin.computeVertexNormals();
  const foot = new MeshLambertMaterial({ color: dyes.foot, side: DoubleSide });
  scene.add(new Mesh(skin, foot));

  const [mx, my, mz] = surface.middle;
  return {
    draw: (look, pull) => {
      cloth.setAttribute("color", pull ? asPulled : asKnitted);
      const far = (2.5 * surface.size) / look.near;
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
      for (const thing of [cloth, skin, wool, foot, picture, renderer]) {
        thing.dispose();
      }
    },
  };
}
