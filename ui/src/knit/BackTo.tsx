import { Button } from "antd";
import { faultText } from "../api/client";
import { useKnitting } from "./context";
import css from "./knit-panel.module.css";
import { useReplan } from "./useReplan";

/** BackTo takes a change of the plan back: what is knitted stays, the rows to come are those of the plan before it. */
export function BackTo({ version }: { version: number }) {
  const row = useKnitting((s) => s.places[0].row);
  const ask = useReplan(1, row, () => undefined);
  const said = { back_to: version };
  return (
    <>
      {" "}
      <Button
        size="small"
        type="link"
        className="no-print"
        loading={ask.isPending}
        onClick={() => ask.mutate({ said, accept: false })}
      >
        Back to the plan before
      </Button>
      {ask.error && (
        <p className="fault" role="alert">
          {faultText(ask.error)}
        </p>
      )}
      {ask.data && !ask.variables?.accept && (
        <div className={css.proposal}>
          <p>
            What is knitted stays. <strong>{ask.data.text}</strong>
          </p>
          {ask.data.pair && <p>{ask.data.pair}</p>}
          {ask.data.plans && (
            <Button type="primary" onClick={() => ask.mutate({ said, accept: true })}>
              Go back to it
            </Button>
          )}
        </div>
      )}
    </>
  );
}
