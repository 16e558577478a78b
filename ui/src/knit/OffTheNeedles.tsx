import { Button } from "antd";
import { Link } from "react-router";
import css from "../board/board.module.css";
import { useKnitting } from "./context";
import { PairApart } from "./PairApart";
import { rowsOf } from "./rows";

/** OffTheNeedles stands where the rows have come to their end. */
export function OffTheNeedles({ sock }: { sock: number }) {
  const k = useKnitting((s) => s);
  const place = k.places[sock - 1];
  return (
    <div className={css.waiting}>
      <h2>Off the needles</h2>
      <p>Weave in further than in other knitting, wash, dry flat. Then write down how it fits.</p>
      {place?.finished ? (
        <Sister sock={3 - sock} />
      ) : (
        <Button type="primary" onClick={() => k.record("finish", sock, rowsOf(k.view, sock).length - 1)}>
          It is finished
        </Button>
      )}
    </div>
  );
}

/** Sister leads from a sock that is off the needles to the other of the pair, with what differs there. */
function Sister({ sock }: { sock: number }) {
  const k = useKnitting((s) => s);
  const place = k.places[sock - 1];
  const name = sock === 1 ? "first" : "second";
  if (place?.finished) {
    return <Link to={`/socks/${k.view.id}/log`}>Both are off: to the page of this pair</Link>;
  }
  return (
    <>
      {k.view.apart && <PairApart apart={k.view.apart} />}
      <p>What you noted on this one stands beside the same rows of the {name}.</p>
      <p className="actions">
        <Button type="primary" onClick={() => k.choose(name)}>
          {place && place.row > 0 ? `On with the ${name} sock` : `Cast on the ${name} sock`}
        </Button>
        <Link to={`/socks/${k.view.id}/log`}>To the page of this pair</Link>
      </p>
    </>
  );
}
