import { Button, Input, Skeleton } from "antd";
import { Link, useParams } from "react-router";
import { Refusal, type Sock } from "../api/client";
import { useSock } from "../api/socks";
import { SockDrawing } from "../drawing/SockDrawing";
import { Strip } from "../drawing/Strip";
import { Failure } from "../shell/Failure";
import { usePageTitle } from "../shell/usePageTitle";
import { gaugeText, gaugeWidth, lengthWithUnit, useUnit } from "../units/units";
import { Checks } from "./Checks";
import { Conflict } from "./Conflict";
import { Counts } from "./Counts";
import { Field } from "./Field";
import { type Board, type SaveState, useBoard } from "./useBoard";

/** BoardPage is the board on which one sock is decided. */
export function BoardPage() {
  const { id = "" } = useParams();
  const sock = useSock(id);
  if (sock.isPending) {
    return <Skeleton active className="page" />;
  }
  if (sock.isError) {
    return (
      <div className="page narrow">
        <Failure error={sock.error} retry={() => sock.refetch()} />
        <p>
          <Link to="/">To the basket</Link>
        </p>
      </div>
    );
  }
  return <BoardOf key={id} sock={sock.data} />;
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

function Choices({ board, id }: { board: Board; id: string }) {
  const unit = useUnit();
  const shown = board.answer?.plan ? board.answer : board.good;
  const plan = shown?.plan;
  const guessed = new Set(plan?.design.foot.estimated ?? []);
  const typedGirth = (board.content.draft.design.foot as { ball_girth_mm?: number } | undefined)
    ?.ball_girth_mm;
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
            guess={typedGirth === undefined ? plan?.design.foot.ball_girth_mm : undefined}
            hint={
              guessed.has("ball_girth_mm")
                ? "guessed from the length: measure it"
                : "where the foot is widest"
            }
          />
        </div>
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
            hint="a mean of several counts"
          />
          <Field
            board={board}
            field="gauge.rounds_per_100mm"
            label="Rounds"
            hint="they decide every length"
          />
        </div>
      </section>
      {plan && shown?.counts && (
        <section>
          <h2>
            Round the foot{" "}
            <small>
              {lengthWithUnit(plan.design.foot.ball_girth_mm, unit)}, less {plan.design.fit.girth_ease_pct} %
            </small>
          </h2>
          <Counts
            counts={shown.counts}
            onChoose={(choice) => board.choose("stitches", choice.nearest ? null : choice.stitches)}
          />
        </section>
      )}
      <section>
        <h2>
          Leg and cuff <small>counted from the end of the heel</small>
        </h2>
        <div className="pair">
          <Field
            board={board}
            field="leg.height_mm"
            label="Leg with its cuff"
            guess={plan?.design.leg.height_mm}
            hint={plan ? `${plan.summary.leg_rounds} rounds below the cuff` : ""}
          />
          <Field
            board={board}
            field="cuff.height_mm"
            label="Cuff of it"
            guess={plan?.design.cuff.height_mm}
            hint={plan ? `${plan.summary.cuff_rounds} rounds of k1, p1 rib` : ""}
          />
        </div>
      </section>
      {board.answer?.plan && board.answer.plan.checks.length > 0 && (
        <Checks checks={board.answer.plan.checks} />
      )}
      {plan && plan.rows.length > 0 && (
        <section className="checked">
          <h2>
            <Link to={`/socks/${id}/rows`}>Every row checked</Link>
            <small>{plan.rows.length} rows knitted again, loop by loop</small>
          </h2>
        </section>
      )}
    </>
  );
}
