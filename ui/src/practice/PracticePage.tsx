import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { Button, Skeleton } from "antd";
import { useEffect, useRef, useState } from "react";
import { Link, useSearchParams } from "react-router";
import { answered, client, faultText, type Schemas } from "../api/client";
import workingCss from "../board/working.module.css";
import { FabricDrawing } from "../drawing/FabricDrawing";
import { MovePicture } from "../hands/MovePicture";
import { Failure } from "../shell/Failure";
import { usePageTitle } from "../shell/usePageTitle";
import { enough, isPractised, runsOf, runWithoutFault } from "./known";
import { Pieces } from "./Pieces";
import practiceCss from "./practice.module.css";
import { Rewrite } from "./Rewrite";

type Move = Schemas["PracticeQuestion"]["moves"][number];
type Lesson = Schemas["PracticeLesson"];
type State = Schemas["PracticeState"];

/** The moves with their keys, in the order of the hands. */
const moves: { move: Move; label: string; key: string }[] = [
  { move: "knit", label: "knit", key: "k" },
  { move: "purl", label: "purl", key: "p" },
  { move: "slip", label: "slip", key: "s" },
  { move: "front", label: "yarn to the front", key: "f" },
  { move: "back", label: "yarn to the back", key: "b" },
  { move: "over", label: "yarn over the needle", key: "o" },
  { move: "turn", label: "turn", key: "t" },
  { move: "together", label: "together", key: "d" },
  { move: "lift", label: "lift", key: "l" },
  { move: "wrap", label: "wrap", key: "w" },
  { move: "pin", label: "hang a pin", key: "n" },
  { move: "twist", label: "through the back loop", key: "x" },
  { move: "increase", label: "into front and back", key: "i" },
  { move: "pick", label: "pick up", key: "c" },
  { move: "bind", label: "bind off", key: "e" },
  { move: "upper", label: "upper needle fetches", key: "ArrowUp" },
  { move: "lower", label: "lower needle fetches", key: "ArrowDown" },
];

/** The needles of a cast-on, and what hands do once it is on them. */
const castsOn = (move: Move) => move === "upper" || move === "lower";

const keyNames: Record<string, string> = { ArrowUp: "↑", ArrowDown: "↓" };

const labelOf = (move: string) => moves.find((m) => m.move === move)?.label ?? move;

/** PracticePage is a needle to practise on: every move is carried out, also when it is wrong. */
export function PracticePage() {
  usePageTitle("Practice");
  const [search, setSearch] = useSearchParams();
  const asking = search.get("sock") ?? "";
  const list = useQuery({
    queryKey: ["practice", asking],
    queryFn: async () => answered(await client.GET("/api/practice", { params: { query: { sock: asking } } })),
    staleTime: Number.POSITIVE_INFINITY,
    meta: { kept: true },
  });
  if (list.isError) {
    return <Failure error={list.error} retry={() => list.refetch()} />;
  }
  if (!list.data) {
    return <Skeleton active />;
  }
  const asked = list.data.asked ?? [];
  const toLearn = list.data.lessons
    .filter((l) => asked.includes(l.name))
    .sort((a, b) => Number(isPractised(a.name)) - Number(isPractised(b.name)));
  const chosen = list.data.lessons.find((l) => l.name === search.get("lesson"));
  return (
    <div className="page practice">
      <h1>Practice</h1>
      {chosen ? (
        <Run key={chosen.name} lesson={chosen} leave={() => setSearch(asking ? { sock: asking } : {})} />
      ) : (
        <>
          <p className="lead">
            A needle on the screen, a few stitches in thick yarn. Every move is carried out exactly, also when
            it is wrong, and you see what comes of it. Three runs without a fault, and it counts as known.{" "}
            <Link to="/moves">See the moves drawn first</Link>
          </p>
          {list.data.sock && (
            <section aria-label="What this sock asks">
              <h2>What {list.data.sock} asks</h2>
              <LessonList lessons={toLearn} sock={asking} />
            </section>
          )}
          <h2>{list.data.sock ? "All lessons" : "On the screen"}</h2>
          <LessonList lessons={list.data.lessons} sock={asking} />
          <Pieces pieces={list.data.pieces} />
          <Rewrite />
        </>
      )}
    </div>
  );
}

function LessonList({ lessons, sock }: { lessons: Lesson[]; sock: string }) {
  return (
    <ul className={practiceCss.lessons}>
      {lessons.map((lesson) => (
        <li key={lesson.name}>
          <Link to={`/practice?lesson=${lesson.name}${sock && `&sock=${sock}`}`}>{lesson.title}</Link>
          <span>{lesson.about}</span>
          <span className="muted">
            {lesson.moves} moves · {runsText(runsOf(lesson.name))}
          </span>
        </li>
      ))}
    </ul>
  );
}

function runsText(runs: number): string {
  if (runs === 0) {
    return "not done yet";
  }
  return runs >= enough ? "✓ known" : `${runs === 1 ? "once" : "twice"} without a fault`;
}

/** Run is one run of a lesson; the page keeps its moves, the program nothing. */
function Run({ lesson, leave }: { lesson: Lesson; leave: () => void }) {
  const [made, setMade] = useState<Move[]>([]);
  const [hinted, setHinted] = useState(false);
  /** What keeps the run from counting: a fault, or the first hint. */
  const [spoilt, setSpoilt] = useState<"a fault" | "a hint">();
  const [runs, setRuns] = useState(() => runsOf(lesson.name));
  const counted = useRef(false);
  const state = useQuery({
    queryKey: ["practice", lesson.name, made],
    queryFn: async ({ signal }) =>
      answered(await client.POST("/api/practice", { body: { lesson: lesson.name, moves: made }, signal })),
    placeholderData: keepPreviousData,
    staleTime: Number.POSITIVE_INFINITY,
    gcTime: 60_000,
    retry: false,
  });
  const s = state.data;
  const wrong = s?.fault !== undefined || (s?.refused ?? "") !== "";
  useEffect(() => {
    if (wrong) {
      setSpoilt("a fault");
    }
  }, [wrong]);
  useEffect(() => {
    if (s?.done && !spoilt && !counted.current) {
      counted.current = true;
      setRuns(runWithoutFault(lesson.name, lesson.knows));
    }
  }, [s?.done, spoilt, lesson]);
  const hint = () => {
    setHinted(true);
    setSpoilt((already) => already ?? (s?.done ? undefined : "a hint"));
  };
  const act = (move: Move) => {
    setHinted(false);
    setMade((all) => [...(s?.refused ? all.slice(0, -1) : all), move]);
  };
  const takeBack = () => {
    setHinted(false);
    setMade((all) => all.slice(0, -1));
  };
  const anew = () => {
    setMade([]);
    setSpoilt(undefined);
    setHinted(false);
    counted.current = false;
  };
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.metaKey || event.altKey) {
        return;
      }
      const move = moves.find((m) => m.key === event.key)?.move;
      if (move) {
        act(move);
      } else if (event.key === "Backspace") {
        takeBack();
      } else if (event.key === "?") {
        hint();
      } else {
        return;
      }
      event.preventDefault();
    };
    window.addEventListener("keydown", press);
    return () => window.removeEventListener("keydown", press);
  });
  return (
    <section className="run" aria-label={lesson.title} aria-busy={state.isFetching}>
      <header className={practiceCss.runHead}>
        <h2>{lesson.title}</h2>
        <span className="muted">
          {s?.cast_on && !s.done && `${made.length - (s.refused ? 1 : 0) + 1} loops on both needles`}
          {s &&
            !(s.cast_on && !s.done) &&
            `row ${s.row} of ${s.rows} · ${s.side === "RS" ? "right" : "wrong"} side · yarn ${s.front ? "in front" : "behind"} · ${s.loops} loops`}
        </span>
        <Button onClick={leave}>All lessons</Button>
      </header>
      <p className="hint">{lesson.about}</p>
      {state.isError && (
        <p className="fault" role="alert">
          {faultText(state.error)}
        </p>
      )}
      <div className={practiceCss.runPicture}>
        {s?.cast_on && !s.done ? (
          <MovePicture picture={s.cast_on} label="Both needles, the loops on them, and both strands" />
        ) : s ? (
          <FabricDrawing picture={s.picture} />
        ) : (
          <Skeleton active />
        )}
      </div>
      <div className={practiceCss.runSaid} role="status">
        {s && <Says state={s} spoilt={spoilt} runs={runs} />}
        {hinted && s?.hint && (
          <p>
            Next: <strong>{labelOf(s.hint)}</strong>.
          </p>
        )}
      </div>
      <div className={practiceCss.runMoves}>
        {moves
          .filter(({ move }) => castsOn(move) === (lesson.name === "cast-on"))
          .map(({ move, label, key }) => (
            <Button key={move} onClick={() => act(move)} disabled={s?.done === true}>
              {label} <kbd>{keyNames[key] ?? key}</kbd>
            </Button>
          ))}
        <Button onClick={takeBack} disabled={made.length === 0}>
          take back <kbd>⌫</kbd>
        </Button>
        <Button onClick={hint}>
          hint <kbd>?</kbd>
        </Button>
        <Button onClick={anew} disabled={made.length === 0}>
          begin anew
        </Button>
      </div>
    </section>
  );
}

/** Says is what came of the moves. */
function Says({ state, spoilt, runs }: { state: State; spoilt: string | undefined; runs: number }) {
  if (state.refused) {
    return <p className="fault">{state.refused}</p>;
  }
  if (state.fault) {
    return (
      <p className="stale-note">
        {state.fault.text} Take it back: <strong>{labelOf(state.fault.wanted)}</strong> was to come.
      </p>
    );
  }
  if (state.done) {
    return (
      <p className={workingCss.news}>
        Done
        {spoilt ? `. Once more without ${spoilt}, and it counts.` : ` without a fault: ${runsText(runs)}.`}
      </p>
    );
  }
  return null;
}
