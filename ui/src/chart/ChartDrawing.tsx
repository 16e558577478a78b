import { Button } from "antd";
import { useRef } from "react";
import type { Schemas } from "../api/client";
import css from "./chart.module.css";

export type Chart = Schemas["ChartChart"];
type Symbol = Chart["symbols"][number];

/** A cell is so large, in units of the picture, and this is left beside the rows for their numbers. */
const cell = 12;
const beside = 30;

/**
 * ChartDrawing draws rows as cells, the first at the bottom, each numbered where it begins; a row can be lit.
 * Colours stand in the drawing itself, so that it is the same as a file.
 */
export function ChartDrawing({ chart, lit }: { chart: Chart; lit?: number }) {
  const svg = useRef<SVGSVGElement>(null);
  const [wide, high] = [chart.columns * cell + 2 * beside, chart.rows.length * cell + 4];
  const symbols = new Map(chart.symbols.map((s) => [s.name, s]));
  return (
    <figure className={css.chart} aria-label={chart.title}>
      <figcaption>
        <h3>{chart.title}</h3>
        <Button
          size="small"
          className="no-print"
          onClick={() => svg.current && save(svg.current, chart.name)}
        >
          SVG
        </Button>
      </figcaption>
      <svg
        ref={svg}
        viewBox={`0 0 ${wide} ${high}`}
        style={{ width: wide, maxWidth: "100%" }}
        role="img"
        aria-label={`${chart.title}: ${chart.rows.length} rows of up to ${chart.columns} cells, as the right side shows them`}
        xmlns="http://www.w3.org/2000/svg"
      >
        {chart.rows.map((row, i) => {
          const y = (chart.rows.length - 1 - i) * cell + 2;
          const x = beside + (row.from * cell) / 2;
          const end = x + row.cells.length * cell;
          return (
            <g key={`${row.row} ${row.n}`}>
              {row.row === lit && (
                <rect x={0} y={y} width={wide} height={cell} fill="#c07a3a" fillOpacity={0.35} />
              )}
              {cellsOf(row).map(({ name, left }) => (
                <Cell
                  key={left}
                  symbol={symbols.get(name)}
                  x={x + left}
                  y={y}
                  other={row.colour !== undefined}
                />
              ))}
              <text
                x={row.side === "RS" ? end + 4 : x - 4}
                y={y + cell - 3}
                textAnchor={row.side === "RS" ? "start" : "end"}
                fontSize={8}
                fill="#655c4e"
              >
                {row.n}
              </text>
            </g>
          );
        })}
        {chart.repeat && (
          <rect
            x={beside}
            y={2}
            width={chart.columns * cell}
            height={chart.rows.length * cell}
            fill="none"
            stroke="#a32f36"
            strokeWidth={2.4}
          />
        )}
      </svg>
      <ul className={css.chartLegend}>
        {chart.symbols.map((symbol) => (
          <li key={symbol.name}>
            <svg viewBox={`0 0 ${cell} ${cell}`} width={22} height={22} aria-hidden="true">
              <Cell symbol={symbol} x={0} y={0} other={false} />
            </svg>
            {symbol.text}
          </li>
        ))}
      </ul>
    </figure>
  );
}

function Cell({ symbol, x, y, other }: { symbol: Symbol | undefined; x: number; y: number; other: boolean }) {
  const d = (symbol?.lines ?? [])
    .map((line) => line.map(([a = 0, b = 0], k) => `${k === 0 ? "M" : "L"}${at(x, a)} ${at(y, b)}`).join(""))
    .join("");
  return (
    <>
      <rect
        x={x}
        y={y}
        width={cell}
        height={cell}
        fill={other && symbol?.name !== "rests" ? "#f4e8d6" : "#ffffff"}
        stroke="#96918a"
        strokeWidth={0.5}
      />
      {d && (
        <path
          d={d}
          fill={symbol?.filled ? "#26231e" : "none"}
          stroke="#26231e"
          strokeWidth={symbol?.filled ? 0 : 1.1}
          strokeLinecap="round"
          strokeLinejoin="round"
        />
      )}
    </>
  );
}

const cellsOf = (row: Chart["rows"][number]) => row.cells.map((name, k) => ({ name, left: k * cell }));

const at = (from: number, share: number) => Math.round((from + share * cell) * 10) / 10;

/** save gives a drawing away as a file. */
function save(svg: SVGSVGElement, name: string) {
  const url = URL.createObjectURL(
    new Blob([new XMLSerializer().serializeToString(svg)], { type: "image/svg+xml" }),
  );
  const link = document.createElement("a");
  link.href = url;
  link.download = `${name}.svg`;
  link.click();
  URL.revokeObjectURL(url);
}
