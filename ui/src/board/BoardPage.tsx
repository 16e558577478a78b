import { Button, Input, Skeleton } from "antd";
import { Link } from "react-router";
import { Refusal, type Sock } from "../api/client";
import { SockDrawing } from "../drawing/SockDrawing";
import { Strip } from "../drawing/Strip";
import { Failure } from "../shell/Failure";
import { usePageTitle } from "../shell/usePageTitle";
import { WithSock } from "../shell/WithSock";
import { gaugeText, gaugeWidth, lengthWithUnit, useUnit } from "../units/units";
import { Choices } from "./Choices";
import { Conflict } from "./Conflict";
import { FitAlong } from "./FitAlong";
import { type Board, type SaveState, useBoard } from "./useBoard";

/** BoardPage is the board on which one sock is decided. */
export function BoardPage() {
  return <WithSock>{(sock) => <BoardOf key={sock.id} sock={sock} />}</WithSock>;
}

function BoardOf({ sock }: { sock: Sock }) {
  const board = useBoard(sock);
  usePageTitle(board.content.name);
  return (
    <div className="board">
      <section className="sheet" aria-label="The sock">
        <Heading board={board} id={sock.id} />
        <Conflict board={board} />
        <Picture board={board} />
      </section>
      <aside className="choices" aria-label="Measurements and choices">
        <Choices board={board} id={sock.id} />
      </aside>
    </div>
  );
}

const stateWords: Record<SaveState, string> = {
  saved: "kept",
  unsaved: "not kept yet",
  saving: "keeping…",
  refused: "not kept",
  conflict: "waits for you",
};

function Heading({ board, id }: { board: Board; id: string }) {
  const faults = board.saveFault instanceof Refusal ? (board.saveFault.problem.errors ?? []) : [];
  return (
    <header className="sock-heading">
      <Input
        aria-label="Name of the sock"
        className="sock-name"
        variant="borderless"
        value={board.content.name}
        status={faults.some((f) => f.field === "name") ? "error" : ""}
        onChange={(event) => board.change({ name: event.target.value })}
      />
      <span className="for">
        for{" "}
        <Input
          aria-label="Wearer"
          className="wearer"
          variant="borderless"
          placeholder="somebody"
          value={board.content.wearer}
          onChange={(event) => board.change({ wearer: event.target.value })}
        />
      </span>
      <span className={`save-state ${board.state}`} role="status">
        {stateWords[board.state]}
      </span>
      <Link className="to-rows" to={`/socks/${id}/rows`}>
        Read the rows
      </Link>
      {board.saveFault && (
        <p className="fault" role="alert">
          {faults.length > 0
            ? faults.map((f) => `${f.field}: ${f.message}`).join(" ")
            : board.saveFault.message}{" "}
          {faults.length === 0 && <Button onClick={board.saveNow}>Try again</Button>}
        </p>
      )}
    </header>
  );
}

function Picture({ board }: { board: Board }) {
  const unit = useUnit();
  const { answer, good } = board;
  const wrong = answer !== undefined && !answer.shape;
  const stop = answer?.plan?.checks.find((c) => c.level === "stop");
  if (board.plan.isError && !good) {
    return <Failure error={board.plan.error} retry={() => board.plan.refetch()} />;
  }
  if (!good) {
    return answer ? <Waiting board={board} /> : <Skeleton active />;
  }
  return (
    <>
      <p className="lead-figures">
        {good.plan && (
          <>
            <strong>{good.plan.summary.foot_stitches}</strong> stitches round ·{" "}
            {gaugeText(good.plan.design.gauge.stitches_per_100mm, unit)} stitches ×{" "}
            {gaugeText(good.plan.design.gauge.rounds_per_100mm, unit)} rounds in {gaugeWidth(unit)} · the sock
            is {lengthWithUnit(good.plan.summary.finished_length_mm, unit)} long for a foot of{" "}
            {lengthWithUnit(good.plan.design.foot.length_mm, unit)}
          </>
        )}
      </p>
      {wrong && (
        <p className="stale-note" role="status">
          {stop?.text ??
            "This is the sock before the last change. It follows again when every field can be read."}
        </p>
      )}
      {good.shape && good.plan && (
        <SockDrawing shape={good.shape} plan={good.plan} unit={unit} stale={wrong} />
      )}
      {good.plan && good.words && <Strip plan={good.plan} words={good.words} />}
      {good.fit && <FitAlong places={good.fit} />}
    </>
  );
}

/** Waiting says what is still missing before there is a sock to see. */
function Waiting({ board }: { board: Board }) {
  const faults = board.answer?.faults ?? [];
  const stop = board.answer?.plan?.checks.find((c) => c.level === "stop");
  const names: Record<string, string> = {
    "foot.length_mm": "the length of the foot",
    "foot.ball_girth_mm": "the girth round the ball",
    "gauge.stitches_per_100mm": "the stitches of the swatch",
    "gauge.rounds_per_100mm": "the rounds of the swatch",
  };
  return (
    <div className="waiting">
      <h2>{stop ? "This is not a sock yet" : "Your sock appears here"}</h2>
      {stop ? <p>{stop.text}</p> : <p>Still needed:</p>}
      <ul>
        {faults.map((f) => (
          <li key={f.field}>{names[f.field] ?? `${f.field}: ${f.message}`}</li>
        ))}
      </ul>
    </div>
  );
}
