import { Skeleton } from "antd";
import { Link, useSearchParams } from "react-router";
import { useMovesOf } from "../api/reference";
import { Failure } from "../shell/Failure";
import { usePageTitle } from "../shell/usePageTitle";
import css from "./hands.module.css";
import { Moves } from "./Moves";
import { type Move, useHands } from "./useHands";

/** MovesPage lists every move of the hands, and shows those that are asked for. */
export function MovesPage() {
  usePageTitle("Show me");
  const [search] = useSearchParams();
  const of = useMovesOf();
  const hands = useHands();
  if (hands.isError) {
    return <Failure error={hands.error} retry={() => hands.refetch()} />;
  }
  if (!hands.data) {
    return <Skeleton active className="page" />;
  }
  const { moves } = hands.data;
  const asked = search.get("move");
  const names = asked ? [asked] : (of[search.get("of") ?? ""] ?? []);
  return (
    <div className={`page ${css.movesPage}`}>
      <h1>Show me</h1>
      {names.length > 0 ? (
        <>
          <p>
            <Link to="/moves">All moves</Link>
          </p>
          <Moves names={names} />
        </>
      ) : (
        <>
          <p className="lead">
            Every move of the hands, step by step, as you see it when you knit. Yarn in the right or the left
            hand; mirrored for left-handed knitters.
          </p>
          {grouped(moves).map(([group, list]) => (
            <section key={group} className={css.moveGroup}>
              <h2>{group}</h2>
              <ul>
                {list.map((m) => (
                  <li key={m.name}>
                    <Link to={`/moves?move=${m.name}`}>{m.title}</Link>
                  </li>
                ))}
              </ul>
            </section>
          ))}
        </>
      )}
    </div>
  );
}

/** grouped puts the moves under their headings, in the order in which they are learned. */
function grouped(moves: Move[]): [string, Move[]][] {
  const groups = new Map<string, Move[]>();
  for (const move of moves) {
    groups.set(move.group, [...(groups.get(move.group) ?? []), move]);
  }
  return [...groups];
}
