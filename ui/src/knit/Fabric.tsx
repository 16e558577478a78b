import { useQuery } from "@tanstack/react-query";
import { Segmented } from "antd";
import { useState } from "react";
import { answered, client } from "../api/client";
import { FabricDrawing, type Feature } from "../drawing/FabricDrawing";
import fabricCss from "../drawing/fabric.module.css";
import { useKnitting } from "./context";
import knitPanelCss from "./knit-panel.module.css";

/** Pictures of so many rows are asked for at once. */
const atOnce = 6;

/** Names of what can be read, one and more. */
const names: Record<string, [one: string, more: string]> = {
  double: ["double stitch", "double stitches"],
  wrap: ["wrapped stitch", "wrapped stitches"],
  "yarn-over": ["yarn-over", "yarn-overs"],
  pin: ["pin", "pins"],
  gap: ["gap", "gaps"],
  bar: ["bar of an increase", "bars of increases"],
  twisted: ["made stitch", "made stitches"],
  lifted: ["strand lifted at a turn", "strands lifted at turns"],
  crossed: ["stitch worked through the back", "stitches worked through the back"],
  right: ["leaning to the right", "leaning to the right"],
  left: ["leaning to the left", "leaning to the left"],
  slipped: ["slipped stitch", "slipped stitches"],
  "picked up": ["picked-up stitch", "picked-up stitches"],
  hole: ["hole of the pattern", "holes of the pattern"],
  turned: ["turned loop", "turned loops"],
};

/** Fabric is what the knitting looks like now, under the yarn; a touch names what lies there. */
export function Fabric({ sock, row }: { sock: number; row: number }) {
  const { id, version } = useKnitting((s) => s.view);
  const [turned, setTurned] = useState(false);
  const [touched, setTouched] = useState<Feature | undefined>();
  const first = Math.floor(row / atOnce) * atOnce;
  const list = useQuery({
    queryKey: ["fabric", id, version, sock, first],
    queryFn: async ({ signal }) =>
      answered(
        await client.GET("/api/socks/{id}/fabric", {
          params: { path: { id }, query: { sock, row: first, rows: atOnce } },
          signal,
        }),
      ),
    staleTime: Number.POSITIVE_INFINITY,
    retry: false,
    meta: { kept: true },
  });
  const view = list.data?.pictures[row - first];
  const picture = turned ? view?.turned : view?.held;
  if (!picture || picture.strokes.length === 0) {
    return null;
  }
  const kinds = [...new Set(picture.features.map((f) => f.name))];
  return (
    <section className={`${knitPanelCss.moment} fabric`} aria-label="What it looks like now">
      <h2>What it looks like now</h2>
      <FabricDrawing picture={picture} touched={touched} touch={setTouched} />
      <Segmented<boolean>
        aria-label="Which side"
        size="small"
        value={turned}
        onChange={(next) => {
          setTurned(next);
          setTouched(undefined);
        }}
        options={[
          { label: "as you hold it", value: false },
          { label: "turned", value: true },
        ]}
      />
      {kinds.length > 0 && (
        <p className={fabricCss.fabricReads}>
          {kinds.map((kind) => {
            const all = picture.features.filter((f) => f.name === kind);
            return (
              <button key={kind} type="button" className="link" onClick={() => setTouched(all[0])}>
                {all.length} {names[kind]?.[all.length === 1 ? 0 : 1] ?? kind}
              </button>
            );
          })}
        </p>
      )}
      <p className="hint" role="status">
        {touched?.text}
      </p>
    </section>
  );
}
