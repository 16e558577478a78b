import { memo, type PointerEvent } from "react";
import type { Schemas } from "../api/client";
import { among } from "../shell/among";
import css from "./fabric.module.css";

export type Picture = Schemas["FabricPicture"];
export type Feature = Schemas["FabricFeature"];

/** How near a touch has to be, in units of the picture. */
const reach = 22;

/** FabricDrawing strokes a picture of the fabric; a touch finds what lies nearest. */
export const FabricDrawing = memo(function FabricDrawing({
  picture,
  touched,
  touch,
  marks = [],
}: {
  picture: Picture;
  /** Places that are ringed. */
  marks?: { x: number; y: number }[];
  touched?: Feature | undefined;
  touch?: (feature: Feature | undefined) => void;
}) {
  const find = (event: PointerEvent<SVGSVGElement>) => {
    const box = event.currentTarget.getBoundingClientRect();
    const scale = picture.width / box.width;
    const [x, y] = [(event.clientX - box.left) * scale, (event.clientY - box.top) * scale];
    const near = picture.features
      .map((f) => ({ f, far: Math.hypot(f.x - x, f.y - y) }))
      .sort((a, b) => a.far - b.far)[0];
    touch?.(near && near.far < reach ? near.f : undefined);
  };
  return (
    <svg
      className={css.fabricPicture}
      viewBox={`0 0 ${picture.width} ${picture.height}`}
      role="img"
      aria-label={`The fabric under the yarn, ${picture.side === "RS" ? "right" : "wrong"} side in front`}
      onPointerDown={find}
    >
      {picture.strokes.map((stroke, i) => (
        <path
          // biome-ignore lint/suspicious/noArrayIndexKey: the strokes of a picture have no other name
          key={i}
          d={stroke.d}
          className={`${among(css, `stroke-${stroke.part}`)} ${colourOf(stroke.colour)}`}
        />
      ))}
      {marks.map(({ x, y }) => (
        <circle key={`${x} ${y}`} className={css.fabricMarked} cx={x} cy={y} r={14} />
      ))}
      {touched && <circle className={css.fabricTouched} cx={touched.x} cy={touched.y} r={15} />}
    </svg>
  );
});

/** colourOf is the class of a yarn: the sock's own has none, every other is the contrast. */
const colourOf = (colour: string | undefined) => (colour ? css.otherYarn : "");
