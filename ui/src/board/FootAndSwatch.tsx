import type { Plan } from "../api/client";
import { Field } from "./Field";
import { options } from "./options";
import { Pick } from "./Pick";
import { ShoeSize } from "./ShoeSize";
import type { Board } from "./useBoard";

export function FootAndSwatch({ board, plan }: { board: Board; plan: Plan | undefined }) {
  const guessed = new Set(plan?.design.foot.estimated ?? []);
  const foot = plan?.design.foot;
  const measured = (name: string, value: number | undefined) => (guessed.has(name) ? value : undefined);
  return (
    <>
      <section>
        <h2>
          The foot <small>standing, with the whole weight on it</small>
        </h2>
        <div className="pair">
          <Field board={board} field="foot.length_mm" label="Length" hint="heel to longest toe" />
          <Field
            board={board}
            field="foot.ball_girth_mm"
            label="Girth round the ball"
            guess={measured("ball_girth_mm", foot?.ball_girth_mm)}
            hint={
              guessed.has("ball_girth_mm")
                ? "guessed from the length: measure it"
                : "where the foot is widest"
            }
          />
        </div>
        <ShoeSize board={board} />
        <details className="more">
          <summary>More measurements</summary>
          <div className="pair">
            <Field
              board={board}
              field="foot.heel_diagonal_mm"
              label="Heel diagonal"
              guess={measured("heel_diagonal_mm", foot?.heel_diagonal_mm)}
              hint="round the point of the heel and the bend of the ankle"
            />
            <Field
              board={board}
              field="foot.ankle_girth_mm"
              label="Ankle"
              guess={measured("ankle_girth_mm", foot?.ankle_girth_mm)}
              hint="at the thinnest place above the bones"
            />
            <Field
              board={board}
              field="foot.toe_depth_mm"
              label="Depth of the toes"
              guess={measured("toe_depth_mm", foot?.toe_depth_mm)}
              hint="longest toe back to the little toe"
            />
            <Pick
              board={board}
              field="foot.heel_width"
              label="Width of the heel"
              options={options.heelWidth}
            />
            <Field board={board} field="foot.calf_girth_mm" label="Calf" hint="for knee socks" />
            <Field
              board={board}
              field="foot.calf_height_mm"
              label="Height of the calf"
              hint="above the floor"
            />
          </div>
        </details>
      </section>
      <section>
        <h2>
          The swatch <small>knitted in the round, washed and dried</small>
        </h2>
        <div className="pair">
          <Field
            board={board}
            field="gauge.stitches_per_100mm"
            label="Stitches"
            hint="several counts: 32; 33; 31.5"
          />
          <Field
            board={board}
            field="gauge.rounds_per_100mm"
            label="Rounds"
            hint="they decide every length"
          />
        </div>
      </section>
    </>
  );
}
