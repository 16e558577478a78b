import { Button, Segmented, Skeleton } from "antd";
import { useEffect, useRef, useState } from "react";
import { Link } from "react-router";
import { Failure } from "../shell/Failure";
import handsCss from "./hands.module.css";
import handsBesideCss from "./hands-beside.module.css";
import { MovePicture } from "./MovePicture";
import type { Inks } from "./paint";
import { clips, saveClip, savePictures } from "./save";
import { type Hand, type Move, useHands, useHold } from "./useHands";
import { useInks } from "./useInks";

/** How long a step is shown when the steps play by themselves: slowly. */
const slowly = 3600;

/** Moves shows some moves of the hands, one after the other, each step by step. */
export function Moves({
  names,
  first,
  sock = "",
  close,
}: {
  names: string[];
  first?: string | undefined;
  /** The sock in whose rows they stand; empty for none. */
  sock?: string;
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
      <Steps key={move.name} move={move} sock={sock} close={close} />
    </div>
  );
}

/** Steps is one move: all its steps as stills, and one of them at hand. A step that comes after the one before moves from there. */
function Steps({ move, sock, close }: { move: Move; sock: string; close: (() => void) | undefined }) {
  const [at, setAt] = useState(0);
  const [came, setCame] = useState(-1); // the step that moves, because the hand came to it from the one before
  const [plays, setPlays] = useState(false);
  const list = useRef<HTMLOListElement>(null);
  const last = move.steps.length - 1;
  const go = (to: number) => {
    const next = Math.min(last, Math.max(0, to));
    setCame(next === at + 1 ? next : -1);
    setAt(next);
  };
  useEffect(() => {
    if (!plays) {
      return;
    }
    const timer = setTimeout(() => (at < last ? go(at + 1) : setPlays(false)), slowly);
    return () => clearTimeout(timer);
  });
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
  const lesson = move.lesson && `/practice?lesson=${move.lesson}${sock && `&sock=${sock}`}`;
  return (
    <section className={handsCss.move} aria-label={move.title}>
      <h3>{move.title}</h3>
      <ol className={handsCss.moveSteps} ref={list}>
        {move.steps.map((step, i) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: steps are told apart by their place
          <li key={i} className={i === at ? handsCss.at : ""} aria-current={i === at ? "step" : undefined}>
            <button
              type="button"
              className={handsCss.moveStep}
              onClick={() => go(i)}
              aria-label={`Step ${i + 1}`}
            >
              <MovePicture
                picture={step.picture}
                label={`Step ${i + 1} of ${move.title}, drawn`}
                from={i === at && i === came && step.goes_on ? move.steps[i - 1]?.picture : undefined}
              />
              {step.side && (
                <span className={handsCss.moveSide}>
                  <MovePicture picture={step.side} label="" />
                  from the tip
                </span>
              )}
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
            if (at === last) {
              setCame(-1);
              setAt(0);
            }
            setPlays(!plays);
          }}
        >
          {plays ? "Stop" : "Play slowly"} <kbd>p</kbd>
        </Button>
        {lesson && <Link to={lesson}>Try it on the practice needle</Link>}
        {close && <Button onClick={close}>Back to the row</Button>}
      </div>
      <p className="hidden" aria-live="polite">
        Step {at + 1} of {last + 1}: {move.steps[at]?.text}
      </p>
      <p className={handsCss.moveLook}>
        <strong>Look</strong> {move.look}
      </p>
      <p className={handsCss.moveCare}>
        <strong>Take care</strong> {move.care}
      </p>
      <Holding />
      <Keep move={move} sock={sock} />
    </section>
  );
}

/** Keep saves a move as pictures or as a clip, and leads to all others. */
function Keep({ move, sock }: { move: Move; sock: string }) {
  const place = useRef<HTMLParagraphElement>(null);
  const inks = useInks(place);
  const [share, setShare] = useState<number | null>(null);
  const ink = () => getComputedStyle(place.current as Element).color;
  return (
    <p className={handsCss.moveKeep} ref={place}>
      <Link to={sock ? `/moves?sock=${sock}` : "/moves"}>All moves</Link>
      <Button size="small" disabled={!inks} onClick={() => inks && savePictures(move, inks, ink())}>
        Save as pictures
      </Button>
      {clips() && (
        <Button
          size="small"
          disabled={!inks || share !== null}
          onClick={async () => {
            setShare(0);
            await saveClip(move, inks as Inks, ink(), setShare).finally(() => setShare(null));
          }}
        >
          {share === null ? "Save as a clip" : `Filming: ${Math.round(100 * share)} %`}
        </Button>
      )}
    </p>
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
