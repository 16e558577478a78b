import { Button } from "antd";
import { faultText } from "../api/client";
import { useKnitting } from "./context";
import { socksNow } from "./rows";
import { useReplan } from "./useReplan";

/** Undecided asks again what was put off: whether a sock is to be knitted as the other one will be. */
export function Undecided() {
  const open = useKnitting((s) => s.view.undecided);
  const sock = open?.sock ?? 2;
  const row = useKnitting((s) => s.places[sock - 1]?.row ?? 0);
  const ask = useReplan(sock, row, () => undefined);
  const asked = useKnitting((k) => open !== undefined && socksNow(k).includes(open.sock));
  if (!open || !asked) {
    return null; // it is asked where it is knitted
  }
  const looked = ask.data && !ask.variables?.accept;
  return (
    <div className="stale-note" role="status">
      <p>
        <strong>Still to be decided.</strong> {open.text}
      </p>
      {looked && <p>{ask.data.text}</p>}
      <p className="actions">
        {looked ? (
          <Button
            size="small"
            type="primary"
            loading={ask.isPending}
            onClick={() => ask.mutate({ said: { decided: "alike" }, accept: true })}
          >
            Knit it like that
          </Button>
        ) : (
          <Button
            size="small"
            loading={ask.isPending}
            onClick={() => ask.mutate({ said: { decided: "alike" }, accept: false })}
          >
            Alike: what would change?
          </Button>
        )}
        <Button
          size="small"
          disabled={ask.isPending}
          onClick={() => ask.mutate({ said: { decided: "planned" }, accept: true })}
        >
          As planned
        </Button>
      </p>
      {ask.isError && (
        <p className="fault" role="alert">
          {faultText(ask.error)}
        </p>
      )}
    </div>
  );
}
