import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { Button, Skeleton } from "antd";
import { useEffect, useRef, useState } from "react";
import { Link, useSearchParams } from "react-router";
import { answered, client, faultText, type Schemas } from "../api/client";
import workingCss from "../board/working.module.css";
import { FabricDrawing } from "../drawing/FabricDrawing";
import { MovePicture } from "../hands/MovePicture";
import { useHands, useHold } from "../hands/useHands";
import { Failure } from "../shell/Failure";
import { usePageTitle } from "../shell/usePageTitle";
import { enough, isPractised, noteRun, runsOf, runWithoutFault, usePractised } from "./known";
import { Pieces } from "./Pieces";
import practiceCss from "./practice.module.css";
import { Rewrite } from "./Rewrite";

type Move = Schemas["PracticeQuestion"]["moves"][number];
type Lesson = Schemas["PracticeLesson"];
type State = Schemas["PracticeState"];

/** The moves with their keys, in the order of the hands; shows is the move of the hands that is seen on the key. */
const moves: { move: Move; label: string; key: string; shows?: string }[] = [
  { move: "knit", label: "knit", key: "k", shows: "k" },
  { move: "purl", label: "purl", key: "p", shows: "p" },
  { move: "slip", label: "slip", key: "s", shows: "sl-rs" },
  { move: "front", label: "yarn to the front", key: "f" },
  { move: "back", label: "yarn to the back", key: "b" },
  { move: "over", label: "yarn over the needle", key: "o", shows: "yo" },
  { move: "turn", label: "turn", key: "t", shows: "turn" },
  { move: "together", label: "together", key: "d", shows: "k2tog" },
  { move: "lift", label: "lift", key: "l", shows: "m1l" },
  { move: "wrap", label: "wrap", key: "w", shows: "wrap-out-rs" },
  { move: "pin", label: "hang a pin", key: "n", shows: "pin-out-rs" },
  { move: "twist", label: "through the back loop", key: "x", shows: "ktbl" },
  { move: "increase", label: "into front and back", key: "i", shows: "kfb" },
  { move: "pick", label: "pick up", key: "c", shows: "pick-up-left" },
  { move: "bind", label: "draw the end through", key: "e", shows: "bo-together-end" },
  { move: "wind", label: "wind once", key: "v", shows: "co-turkish" },
  { move: "unzip", label: "out of the waste yarn", key: "z", shows: "unzip" },
  { move: "join", label: "join the other yarn", key: "j", shows: "link" },
  { move: "upper", label: "upper needle fetches", key: "ArrowUp" },
  { move: "lower", label: "lower needle fetches", key: "ArrowDown" },
];

const keyNames: Record<string, string> = { ArrowUp: "↑", ArrowDown: "↓" };

const labelOf = (move: string) => moves.find((m) => m.move === move)?.label ?? move;

/** PracticePage is a needle to practise on: every move is carried out, also when it is wrong. */
export function PracticePage() {
  usePageTitle("Practice");
  const [search, setSearch] = useSearchParams();
  const asking = search.get("sock") ?? "";
  usePractised();
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
      {!chosen && <h1>Practice</h1>}
      {chosen ? (
        <Run
          key={chosen.name}
          lesson={chosen}
          sock={asking}
          leave={() => setSearch(asking ? { sock: asking } : {})}
        />
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
function Run({ lesson, sock, leave }: { lesson: Lesson; sock: string; leave: () => void }) {
  const { yarn, knits } = useHold();
  const [made, setMade] = useState<Move[]>([]);
  const [hinted, setHinted] = useState(false);
  const [all, setAll] = useState(false);
  /** What keeps the run from counting: a fault, or the first hint. */
  const [spoilt, setSpoilt] = useState<"a fault" | "a hint">();
  const [runs, setRuns] = useState(() => runsOf(lesson.name));
  const counted = useRef(false);
  const state = useQuery({
    queryKey: ["practice", lesson.name, made, yarn, knits],
    queryFn: async ({ signal }) =>
      answered(
        await client.POST("/api/practice", {
          body: { lesson: lesson.name, moves: made, yarn, knits },
          signal,
        }),
      ),
    placeholderData: keepPreviousData,
    staleTime: Number.POSITIVE_INFINITY,
    gcTime: 60_000,
    retry: false,
    networkMode: "always",
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
      void noteRun(lesson.name, made);
      setRuns(runWithoutFault(lesson.name, lesson.knows));
    }
  }, [s?.done, spoilt, lesson, made]);
  const hint = () => {
    setHinted(true);
    setSpoilt((already) => already ?? (s?.done ? undefined : "a hint"));
  };
  const act = (move: Move) => {
    if (s?.done && !state.isPlaceholderData) {
      return; // what is done stays done
    }
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
  const needed = moves.filter(({ move }) => lesson.keys.includes(move));
  const others = moves.filter(({ move }) => !lesson.keys.includes(move));
  const last = made.at(-1);
  return (
    <section className={`run ${practiceCss.run}`} aria-label={lesson.title} aria-busy={state.isFetching}>
      <header className={practiceCss.runHead}>
        {sock && (
          <Link className={practiceCss.runBack} to={`/socks/${sock}/knit`}>
            ← Back to the sock
          </Link>
        )}
        <h2>{lesson.title}</h2>
        <span className="muted">{s && `row ${s.row} of ${s.rows} · ${runsText(runs)}`}</span>
        <Button onClick={leave}>All lessons</Button>
      </header>
      {state.isError && (
        <p className="fault" role="alert">
          {navigator.onLine ? faultText(state.error) : noProgram}
        </p>
      )}
      {s && <Words state={s} />}
      <div className={practiceCss.runShown}>
        <div className={practiceCss.runPicture}>
          {s ? <Needles state={s} made={made.length} /> : !state.isError && <Skeleton active />}
        </div>
        <aside className={practiceCss.runBeside}>
          <p>{lesson.about}</p>
          {s && s.loops > 0 && (
            <>
              <h3>The fabric so far</h3>
              <FabricDrawing picture={s.picture} />
              <p className="muted">
                {s.loops} loops · the {s.side === "RS" ? "right" : "wrong"} side faces you · the yarn is{" "}
                {s.front ? "in front" : "behind"}
              </p>
            </>
          )}
        </aside>
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
        {needed.map((m) => (
          <Key key={m.move} of={m} pressed={last === m.move} done={s?.done === true} act={act} />
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
        <Button aria-expanded={all} onClick={() => setAll(!all)}>
          {all ? "fewer moves" : "other moves"}
        </Button>
        {all &&
          others.map((m) => (
            <Key key={m.move} of={m} pressed={last === m.move} done={s?.done === true} act={act} bare />
          ))}
      </div>
    </section>
  );
}

const noProgram =
  "There is no connection to the program at home, and practice needs it. The moves can be looked at without it.";

/** Key is a move as a large key, with its picture. */
function Key({
  of,
  pressed,
  done,
  act,
  bare = false,
}: {
  of: (typeof moves)[number];
  pressed: boolean;
  done: boolean;
  act: (move: Move) => void;
  bare?: boolean;
}) {
  const hands = useHands();
  const shown = bare ? undefined : hands.data?.moves.find((m) => m.name === of.shows);
  const face = shown?.steps[shown.face];
  return (
    <Button
      className={bare ? "" : `${practiceCss.key} ${pressed ? practiceCss.pressed : ""}`}
      onClick={() => act(of.move)}
      disabled={done}
    >
      {of.label} <kbd>{keyNames[of.key] ?? of.key}</kbd>
      {face && <MovePicture picture={face.picture} label="" />}
    </Button>
  );
}

/** Words are those of the row at hand, large, with the place where it is lit. */
function Words({ state }: { state: State }) {
  const now = state.words.findIndex((w) => w.done < w.of);
  return (
    <p className={practiceCss.runWords}>
      {state.words.map((word, i) => {
        const done = word.done >= word.of;
        const at = i === now && !state.done;
        return (
          // biome-ignore lint/suspicious/noArrayIndexKey: the words of a row are told apart by their place
          <span key={i} className={at ? practiceCss.lit : done ? practiceCss.wordDone : ""}>
            {word.text}
            {done && " ✓"}
            {at && word.of > 1 && (
              <small>
                {ordinal(word.done + 1)} of {word.of} is next
              </small>
            )}
          </span>
        );
      })}
    </p>
  );
}

/** ordinal is a number in a row of them. */
function ordinal(n: number): string {
  const ends = ["th", "st", "nd", "rd"];
  const teen = n % 100 >= 11 && n % 100 <= 13;
  return `${n}${(!teen && ends[n % 10]) || "th"}`;
}

/** Needles are drawn as they are held; after a move they go from where they were to where they are. */
function Needles({ state, made }: { state: State; made: number }) {
  const picture = state.cast_on ?? state.needles;
  const before = useRef<{ picture: typeof picture; made: number }>({ picture: undefined, made: 0 });
  const from =
    made === before.current.made + 1 && picture !== before.current.picture
      ? before.current.picture
      : undefined;
  useEffect(() => {
    before.current = { picture, made };
  }, [picture, made]);
  if (!picture) {
    return <p className="muted">Nothing is on the needles.</p>;
  }
  const alike = from && from.width === picture.width ? from : undefined;
  return (
    <MovePicture
      picture={picture}
      from={alike}
      lasts={450}
      label="Both needles, the loops on them, and the yarn"
    />
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
