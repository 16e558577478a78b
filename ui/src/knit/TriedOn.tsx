import { useQuery } from "@tanstack/react-query";
import { Skeleton } from "antd";
import { answered, client, faultText } from "../api/client";
import drawingCss from "../drawing/drawing.module.css";
import { Outline } from "../drawing/Rows";
import { lengthWithUnit, useUnit } from "../units/units";
import { useKnitting } from "./context";
import knitPanelCss from "./knit-panel.module.css";

/** TriedOn is the sock so far on the foot: where the needle should lie when it is tried on now, or where it does as it was measured. */
export function TriedOn({
  sock,
  row,
  length,
  taped,
}: {
  sock: number;
  row: number;
  length: string;
  /** A tape can be held to the needle here: on the foot and on the leg. */
  taped: boolean;
}) {
  const unit = useUnit();
  const { id, version } = useKnitting((s) => s.view);
  const early = useKnitting((s) => s.view.version === 0);
  const tried = useQuery({
    queryKey: ["tried", id, version, sock, row, length, unit],
    queryFn: async ({ signal }) =>
      answered(
        await client.GET("/api/socks/{id}/tried", {
          params: { path: { id }, query: { sock, row, length, unit } },
          signal,
        }),
      ),
    enabled: !early,
    retry: false,
    staleTime: Number.POSITIVE_INFINITY,
    placeholderData: (before) => before,
  });
  if (early || tried.isError) {
    return <p className="hint">{tried.isError ? faultText(tried.error) : "Nothing is cast on yet."}</p>;
  }
  if (!tried.data) {
    return <Skeleton active />;
  }
  const { shape, ghost, needle, behind_mm, above_mm, bone, from_bone_mm } = tried.data;
  const beyond = from_bone_mm < 0 ? (above_mm ? "below" : "before") : above_mm ? "above" : "behind";
  const tall = Math.max(shape.height_mm + 30, 0.62 * shape.width_mm, 110);
  const wide = Math.max(...ghost.map(([x = 0]) => x));
  const d = (points: number[][]) => `M${points.map(([x = 0, y = 0]) => `${x} ${tall - y}`).join("L")}`;
  return (
    <figure className={knitPanelCss.triedOn}>
      <svg
        viewBox={`-8 -4 ${wide + 16} ${tall + 10}`}
        role="img"
        aria-label={
          length.trim() ? "The sock as it was measured, on the foot" : "The sock so far, on the foot"
        }
      >
        <Outline points={ghost} top={tall} />
        <path
          className={`${drawingCss.rowLine} ${knitPanelCss.triedRows}`}
          d={shape.lines.map((line) => d(line.points)).join("")}
        />
        {needle.length > 1 && <path className={knitPanelCss.triedNeedle} d={d(needle)} />}
      </svg>
      <figcaption>
        {taped ? (
          <>
            {length.trim() ? "As you measured it, the needle lies " : "Tried on now, the tape should read "}
            <strong>
              {above_mm
                ? `${lengthWithUnit(above_mm, unit)} above the floor`
                : `${lengthWithUnit(behind_mm ?? 0, unit)} behind the tip of the toes`}
            </strong>
            {above_mm ? ", at the back of the leg" : ", under the sole, pulled on by hand"}: about{" "}
            {lengthWithUnit(Math.abs(from_bone_mm), unit)} {beyond} {bone}. Half a centimetre more or less is
            how hard it was pulled.
          </>
        ) : (
          "The sock so far, on the foot."
        )}
      </figcaption>
    </figure>
  );
}
