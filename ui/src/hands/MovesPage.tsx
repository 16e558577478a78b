import { Skeleton } from "antd";
import { Link, useSearchParams } from "react-router";
import { useMovesOf } from "../api/reference";
import { Failure } from "../shell/Failure";
import { usePageTitle } from "../shell/usePageTitle";
import css from "./hands.module.css";
import { MovePicture } from "./MovePicture";
import { Moves } from "./Moves";
import { type Move, useHands, useMovesOfSock } from "./useHands";

/** MovesPage shows every move of the hands as a small picture, those of a sock first, and one of them whole when it is asked for. */
export function MovesPage() {
  usePageTitle("Show me");
  const [search] = useSearchParams();
  const sock = search.get("sock") ?? "";
  const of = useMovesOf();
  const hands = useHands();
  const asked = useMovesOfSock(sock);
  if (hands.isError) {
    return <Failure error={hands.error} retry={() => hands.refetch()} />;
  }
  if (!hands.data || asked.isLoading) {
    return <Skeleton active className="page" />;
  }
  const { moves } = hands.data;
  const move = search.get("move");
  const names = move ? [move] : (of[search.get("of") ?? ""] ?? []);
  const all = sock ? `/moves?sock=${sock}` : "/moves";
  if (names.length > 0) {
    return (
      <div className={"page"}>
        <h1 className={css.aboveMove}>Show me</h1>
        <p className={css.aboveMove}>
          <Link to={all}>All moves</Link>
        </p>
        <Moves names={names} sock={sock} />
      </div>
    );
  }
  const ofSock = asked.data?.moves ?? [];
  const rest = moves.filter((m) => !ofSock.includes(m.name));
  return (
    <div className={"page"}>
      <h1>{asked.data ? "All moves" : "Show me"}</h1>
      {asked.data ? (
        <>
          <p className="lead">
            <Link to={`/socks/${sock}/knit`}>{asked.data.sock}</Link> asks for {ofSock.length} moves, in the
            order in which your hands meet them; all others stand below.
          </p>
          <section aria-label={`Moves of ${asked.data.sock}`}>
            <MoveIndex
              moves={moves
                .filter((m) => ofSock.includes(m.name))
                .sort((a, b) => ofSock.indexOf(a.name) - ofSock.indexOf(b.name))}
              sock={sock}
            />
          </section>
          <h2>Not in this sock</h2>
        </>
      ) : (
        <p className="lead">
          Every move of the hands, step by step, as you see it when you knit. Yarn in the right or the left
          hand; mirrored for left-handed knitters.
        </p>
      )}
      {asked.isError && <Failure error={asked.error} retry={() => asked.refetch()} />}
      {grouped(rest).map(([group, list]) => (
        <section key={group} className={css.moveGroup} aria-label={group}>
          <h3>{group}</h3>
          <MoveIndex moves={list} sock={sock} />
        </section>
      ))}
    </div>
  );
}

/** MoveIndex are moves as small pictures with their names. */
function MoveIndex({ moves, sock }: { moves: Move[]; sock: string }) {
  return (
    <ul className={css.moveIndex}>
      {moves.map((m) => {
        const face = m.steps[m.face];
        return (
          <li key={m.name}>
            <Link to={`/moves?move=${m.name}${sock && `&sock=${sock}`}`}>
              {face && <MovePicture picture={face.picture} label="" />}
              {m.title}
            </Link>
          </li>
        );
      })}
    </ul>
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
