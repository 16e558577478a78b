import { useRef, useState } from "react";
import type { Picture } from "../shell/picture";
import css from "./feet-marking.module.css";
import type { MarkName, Placed, Point } from "./marks";

/** How far an arrow key moves a mark, in points of the picture; with shift ten times as far. */
const nudge = 1;
const far = 10;
/** The lens shows so many points of the picture. */
const lens = 90;

/** MarkedPicture is the picture on which marks are set by pointer or keys, with a lens beside it. */
export function MarkedPicture({
  picture,
  names,
  placed,
  setPlaced,
}: {
  picture: Picture;
  names: MarkName[];
  placed: Placed;
  setPlaced: (placed: Placed) => void;
}) {
  const svg = useRef<SVGSVGElement>(null);
  const [look, setLook] = useState<Point | null>(null);
  const [dragged, setDragged] = useState<string | null>(null);
  const next = names.find((m) => !placed[m.name]);
  const size = Math.max(picture.width, picture.height) / 100;
  const within = ([x, y]: Point): Point => [
    Math.min(Math.max(x, 0), picture.width),
    Math.min(Math.max(y, 0), picture.height),
  ];
  const place = (event: React.PointerEvent): Point => {
    const matrix = svg.current?.getScreenCTM();
    if (!matrix) {
      return [0, 0];
    }
    const point = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix.inverse());
    return within([point.x, point.y]);
  };
  const put = (name: string, point: Point) => {
    setPlaced({ ...placed, [name]: within(point) });
    setLook(point);
  };
  return (
    <div className={css.marked}>
      {/* biome-ignore lint/a11y/useSemanticElements: a fieldset holds no drawing */}
      <svg
        ref={svg}
        className={css.markedPicture}
        viewBox={`0 0 ${picture.width} ${picture.height}`}
        role="group"
        aria-label="The picture, with its marks"
        onPointerDown={(event) => {
          if (dragged === null && next) {
            put(next.name, place(event));
            setDragged(next.name);
            event.currentTarget.setPointerCapture(event.pointerId);
          }
        }}
        onPointerMove={(event) => {
          const point = place(event);
          setLook(point);
          if (dragged !== null) {
            put(dragged, point);
          }
        }}
        onPointerUp={() => setDragged(null)}
        onPointerLeave={() => dragged === null && setLook(null)}
      >
        <image href={picture.url} width={picture.width} height={picture.height} />
        <Lines placed={placed} width={size * 0.25} />
        {names.map((m, i) => {
          const point = placed[m.name];
          return (
            point && (
              // biome-ignore lint/a11y/useSemanticElements: a button cannot lie in a drawing
              <g
                key={m.name}
                className={css.placeMark}
                role="button"
                tabIndex={0}
                aria-label={`${m.label}: arrow keys move it`}
                transform={`translate(${point[0]} ${point[1]})`}
                onFocus={() => setLook(point)}
                onPointerDown={(event) => {
                  event.stopPropagation();
                  svg.current?.setPointerCapture(event.pointerId);
                  setDragged(m.name);
                }}
                onKeyDown={(event) => {
                  const by = event.shiftKey ? far : nudge;
                  const move = {
                    ArrowLeft: [-by, 0],
                    ArrowRight: [by, 0],
                    ArrowUp: [0, -by],
                    ArrowDown: [0, by],
                  }[event.key];
                  if (move) {
                    event.preventDefault();
                    put(m.name, [point[0] + (move[0] ?? 0), point[1] + (move[1] ?? 0)]);
                  }
                }}
              >
                <circle className={css.markReach} r={size * 2} />
                <circle r={size * 0.9} strokeWidth={size * 0.25} />
                <path
                  d={`M${-size * 1.6} 0h${size * 3.2}M0 ${-size * 1.6}v${size * 3.2}`}
                  strokeWidth={size * 0.12}
                />
                <text
                  x={point[0] > picture.width - size * 4 ? -size * 2.6 : size * 1.2}
                  y={point[1] < size * 4 ? size * 3 : -size * 1.2}
                  fontSize={size * 2.4}
                >
                  {i + 1}
                </text>
              </g>
            )
          );
        })}
      </svg>
      {look && (
        <svg
          className={look[0] > picture.width / 2 ? `${css.lens} ${css.atLeft}` : css.lens}
          viewBox={`${look[0] - lens / 2} ${look[1] - lens / 2} ${lens} ${lens}`}
          aria-hidden="true"
        >
          <image href={picture.url} width={picture.width} height={picture.height} />
          <path
            d={`M${look[0] - lens / 2} ${look[1]}h${lens}M${look[0]} ${look[1] - lens / 2}v${lens}`}
            strokeWidth={0.6}
          />
        </svg>
      )}
    </div>
  );
}

/** Lines join the corners of the sheet, the ruler's ends, and heel and toe. */
function Lines({ placed, width }: { placed: Placed; width: number }) {
  const path = (...names: string[]) =>
    names
      .map((name) => placed[name])
      .filter((p): p is Point => !!p)
      .map((p, i) => `${i === 0 ? "M" : "L"}${p[0]} ${p[1]}`)
      .join("");
  return (
    <g className={css.markLines} fill="none" strokeWidth={width}>
      <path d={path("corner 1", "corner 2", "corner 3", "corner 4", "corner 1")} />
      <path d={path("scale 1", "scale 2")} />
      <path className={css.footAxis} d={path("heel", "toe")} />
      <path d={path("ball 1", "ball 2")} />
    </g>
  );
}
