import { Button, Segmented, Skeleton } from "antd";
import { useEffect, useRef, useState } from "react";
import { Link } from "react-router";
import { Failure } from "../shell/Failure";
import handsCss from "./hands.module.css";
import handsBesideCss from "./hands-beside.module.css";
import { MovePicture } from "./MovePicture";
import { type Hand, type Move, useHands, useHold } from "./useHands";

/** How long a step is shown when the steps play by themselves: slowly. */
const slowly = 3200;

/** Moves shows some moves of the hands, one after the other, each step by step. */
export function Moves({
  names,
  first,
  close,
}: {
  names: string[];
  first?: string | undefined;
  /** Leads back to the row that they stand beside. */
  close?: () => void;
}) {
  const hands = useHands();
  const [chosen, choose] = useState(first ?? names[0]);
  useEffect(() => choose(first ?? names[0]), [first, names[0]]);
  if (hands.isError) {
    return <Failure error={hands.error} retry={() => hands.refetch()} />;
  }
  if (!hands.data) {
    return <Skeleton active />;
  }
  const moves = names
    .map((name) => hands.data.moves.find((m) => m.name === name))
    .filter((m): m is Move => m !== undefined);
  const move = moves.find((m) => m.name === chosen) ?? moves[0];
  if (!move) {
    return <p>Nothing of this row is new to the hands.</p>;
  }
  return (
    <div className={close ? `${handsBesideCss.moves} ${handsBesideCss.beside}` : handsBesideCss.moves}>
      {moves.length > 1 && (
        <nav className={handsCss.moveNames} aria-label="Moves">
          {moves.map((m) => (
            <Button
              key={m.name}
              size="small"
              type={m === move ? "primary" : "default"}
              aria-pressed={m === move}
              onClick={() => choose(m.name)}
            >
              {m.title}
            </Button>
          ))}
        </nav>
      )}
      <Steps key={move.name} move={move} close={close} />
    </div>
  );
}

/** Steps is one move: all its steps as stills, and one of them at hand. */
function Steps({ move, close }: { move: Move; close: (() => void) | undefined }) {
  const [at, setAt] = useState(0);
  const [plays, setPlays] = useState(false);
  const list = useRef<HTMLOListElement>(null);
  const last = move.steps.length - 1;
  const go = (to: number) => setAt(Math.min(last, Math.max(0, to)));
  useEffect(() => {
    if (!plays) {
      return;
    }
    const timer = setTimeout(() => (at < last ? setAt(at + 1) : setPlays(false)), slowly);
    return () => clearTimeout(timer);
  }, [plays, at, last]);
  useEffect(() => {
    list.current?.children[at]?.scrollIntoView({ block: "nearest", inline: "nearest" });
  }, [at]);
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      const target = event.target as HTMLElement;
      if (target.matches("input, textarea, [role=combobox]") || event.ctrlKey || event.metaKey) {
        return;
      }
      if (event.key === "ArrowRight") {
        go(at + 1);
      } else if (event.key === "ArrowLeft") {
        go(at - 1);
      } else if (event.key === "p") {
        setPlays(!plays);
      } else {
        return;
      }
      event.preventDefault();
    };
    window.addEventListener("keydown", press);
    return () => window.removeEventListener("keydown", press);
  });
  return (
    <section className={handsCss.move} aria-label={move.title}>
      <h3>{move.title}</h3>
      <Holding />
      <ol className={plays ? `${handsCss.moveSteps} ${handsBesideCss.plays}` : handsCss.moveSteps} ref={list}>
        {move.steps.map((step, i) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: steps are told apart by their place
          <li key={i} className={i === at ? handsCss.at : ""} aria-current={i === at ? "step" : undefined}>
            <button
              type="button"
              className={handsCss.moveStep}
              onClick={() => go(i)}
              aria-label={`Step ${i + 1}`}
            >
              <MovePicture picture={step.picture} label={`Step ${i + 1} of ${move.title}, drawn`} />
            </button>
            <p>
              <strong className={handsCss.moveNumber}>{i + 1}</strong> {step.text}
            </p>
          </li>
        ))}
      </ol>
      <div className={handsCss.moveKeys}>
        <Button onClick={() => go(at - 1)} disabled={at === 0}>
          Back <kbd>←</kbd>
        </Button>
        <Button type="primary" onClick={() => go(at + 1)} disabled={at === last}>
          Next step <kbd>→</kbd>
        </Button>
        <Button
          className={handsBesideCss.movePlays}
          aria-pressed={plays}
          onClick={() => {
            setAt(at === last ? 0 : at);
            setPlays(!plays);
          }}
        >
          {plays ? "Stop" : "Play slowly"} <kbd>p</kbd>
        </Button>
        {move.lesson && <Link to={`/practice?lesson=${move.lesson}`}>Try it on the practice needle</Link>}
        {close && <Button onClick={close}>Back to the row</Button>}
      </div>
      <p className="hidden" aria-live="polite">
        Step {at + 1} of {last + 1}: {move.steps[at]?.text}
      </p>
      <p className={handsCss.moveLook}>
        <strong>Look</strong> {move.look}
      </p>
      <p className={handsCss.moveSlip}>
        <strong>Take care</strong> {move.slip}
      </p>
    </section>
  );
}

const sides: { value: Hand; label: string }[] = [
  { value: "right", label: "right" },
  { value: "left", label: "left" },
];

/** Holding is how yarn and needles are held. */
function Holding() {
  const { yarn, knits, hold } = useHold();
  return (
    <div className={handsCss.moveHolding}>
      <span>
        Yarn in the{" "}
        <Segmented<Hand>
          size="small"
          aria-label="Hand that holds the yarn"
          options={sides}
          value={yarn}
          onChange={(to) => hold(to, knits)}
        />{" "}
        hand
      </span>
      <span>
        I knit{" "}
        <Segmented<Hand>
          size="small"
          aria-label="Hand that knits"
          options={[
            { value: "right", label: "right-handed" },
            { value: "left", label: "left-handed" },
          ]}
          value={knits}
          onChange={(to) => hold(to === knits ? yarn : other(yarn), to)}
        />
      </span>
    </div>
  );
}

/** Who changes the knitting hand throws with that hand still: the mirror exchanges both. */
const other = (hand: Hand): Hand => (hand === "right" ? "left" : "right");
