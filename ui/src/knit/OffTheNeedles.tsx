import { Button } from "antd";
import { Link } from "react-router";
import css from "../board/board.module.css";
import { useKnitting } from "./context";
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
        <Link to={`/socks/${k.view.id}/log`}>To the page of this sock</Link>
      ) : (
        <Button type="primary" onClick={() => k.record("finish", sock, rowsOf(k.view, sock).length - 1)}>
          It is finished
        </Button>
      )}
    </div>
  );
}
