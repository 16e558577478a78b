import { App, Button, Input, Segmented } from "antd";
import { useEffect, useState } from "react";
import { Link, useNavigate, useParams, useSearchParams } from "react-router";
import { type Side, useAddTracing, useMeasured, useWearer } from "../api/feet";
import { useSheets } from "../api/reference";
import { type Picture, readPicture } from "../shell/picture";
import { usePageTitle } from "../shell/usePageTitle";
import { carried, useCarried } from "../units/carry";
import { lengthText, lengthWithUnit, useUnit } from "../units/units";
import css from "./feet-marking.module.css";
import { MarkedPicture } from "./MarkedPicture";
import { marksFor, marksOf, type Placed } from "./marks";
import { today } from "./today";

/** TracingPage measures a traced foot on a photo or a scan of its sheet. */
export function TracingPage() {
  const { id = "" } = useParams();
  const [search] = useSearchParams();
  const side: Side = search.get("side") === "right" ? "right" : "left";
  const wearer = useWearer(id);
  const name = wearer.data?.wearer.name ?? "";
  usePageTitle(`Tracing of ${name}`);
  const [picture, setPicture] = useState<Picture | null>(null);
  const [fault, setFault] = useState("");
  useEffect(
    () => () => {
      if (picture) {
        URL.revokeObjectURL(picture.url);
      }
    },
    [picture],
  );
  const take = async (file: Blob | undefined) => {
    if (!file) {
      return;
    }
    try {
      setPicture(await readPicture(file));
      setFault("");
    } catch (error) {
      setFault((error as Error).message);
    }
  };
  const sample = async () => {
    const response = await fetch("/sample-tracing.jpg");
    await take(response.ok ? await response.blob() : new Blob());
  };
  return (
    <div className="page tracing">
      <header className="page-heading">
        <h1>
          A tracing of {name ? `${name}'s` : "the"} {side} foot
        </h1>
        <Link to={`/feet/${id}?side=${side}`}>back to the foot</Link>
      </header>
      <div className={css.tracingFile}>
        <label className="file-button">
          {picture ? "Another picture" : "Choose a photo or scan"}
          <input
            type="file"
            accept="image/jpeg,image/png"
            onChange={(event) => {
              void take(event.target.files?.[0]);
              event.target.value = "";
            }}
          />
        </label>
        <Button onClick={sample}>Try the sample</Button>
        <span className="muted">
          JPEG or PNG, up to 20 MB. It stays in this browser: only the marks and a small preview are kept.
        </span>
      </div>
      <p className="fault" role="alert">
        {fault}
      </p>
      {picture ? (
        <Measuring key={picture.url} picture={picture} id={id} side={side} />
      ) : (
        <ol className="steps">
          <li>Stand on a sheet of paper with the whole weight on the foot, and trace round it.</li>
          <li>Photograph the whole sheet with its four corners, or lay a ruler beside the tracing.</li>
          <li>Mark the points here. The slant of the picture is taken out.</li>
        </ol>
      )}
    </div>
  );
}

function Measuring({ picture, id, side }: { picture: Picture; id: string; side: Side }) {
  const unit = useUnit();
  const sheets = useSheets();
  const [scale, setScale] = useState("a4");
  const [apart, setApart] = useState(unit === "cm" ? "20" : "8");
  useCarried((from) => setApart(carried(apart, from)));
  const [placed, setPlaced] = useState<Placed>({});
  const [day, setDay] = useState(today());
  const add = useAddTracing(id);
  const navigate = useNavigate();
  const { message } = App.useApp();
  const names = marksFor(scale !== "ruler");
  const next = names.find((m) => !placed[m.name]);
  const marks = marksOf(placed, scale === "ruler" ? "" : scale);
  const measured = useMeasured(marks, apart, unit);
  const found = measured.data;
  return (
    <div className={css.measuring}>
      <MarkedPicture picture={picture} names={names} placed={placed} setPlaced={setPlaced} />
      <div className="measuring-side">
        <Segmented
          aria-label="What gives the scale"
          value={scale}
          onChange={setScale}
          options={[
            ...sheets.map((s) => ({ value: s.name, label: `${s.label} sheet` })),
            { value: "ruler", label: "A ruler" },
          ]}
        />
        {scale === "ruler" && (
          <div className="field">
            <label htmlFor="known">The two marks are apart</label>
            <Input
              id="known"
              value={apart}
              suffix={<span className="unit">{unit}</span>}
              onChange={(event) => setApart(event.target.value)}
            />
          </div>
        )}
        <p className={css.nextMark} role="status">
          {next ? (
            <>
              Now: <strong>{next.label}</strong>. {next.how}
            </>
          ) : (
            "Every mark is set. Drag one, or use the arrow keys, to put it right."
          )}
        </p>
        <ul className={css.markList}>
          {names.map((m) => (
            <li key={m.name} className={placed[m.name] ? css.set : ""}>
              {m.label}
              {m.optional && !placed[m.name] && <span className="muted"> (may be left out)</span>}
              <Button
                size="small"
                aria-label={placed[m.name] ? `Set ${m.label} anew` : `Put ${m.label} in the middle`}
                onClick={() => {
                  const { [m.name]: _old, ...rest } = placed;
                  setPlaced(
                    placed[m.name] ? rest : { ...placed, [m.name]: [picture.width / 2, picture.height / 2] },
                  );
                }}
              >
                {placed[m.name] ? "anew" : "put"}
              </Button>
            </li>
          ))}
        </ul>
        {measured.isError && (
          <p className="fault" role="alert">
            {measured.error.message}
          </p>
        )}
        {found && !measured.isError && (
          <div className={css.found}>
            <Found label="Length" found={found.length} />
            <Found label="Width" found={found.width} />
            <Found label="Depth of the toes" found={found.toe_depth} />
            <Found label="Longest toe, inward" found={found.toe_tip_aside} />
            <Found label="Little toe, outward" found={found.little_toe_aside} />
            <p className="hint">{found.text}</p>
            {found.doubt && (
              <p className="fault" role="alert">
                {found.doubt}
              </p>
            )}
            <div className="field">
              <label htmlFor="traced-on">Traced on</label>
              <Input
                id="traced-on"
                type="date"
                value={day}
                max={today()}
                onChange={(event) => setDay(event.target.value)}
              />
            </div>
            <Button
              type="primary"
              size="large"
              loading={add.isPending}
              onClick={() =>
                marks &&
                add.mutate(
                  { side, measured_on: day, marks, apart, unit, preview: picture.preview },
                  {
                    onSuccess: () => navigate(`/feet/${id}?side=${side}`),
                    onError: (error) => message.error(error.message),
                  },
                )
              }
            >
              Keep these lengths
            </Button>
          </div>
        )}
      </div>
    </div>
  );
}

function Found({
  label,
  found,
}: {
  label: string;
  found: { length_mm: number; uncertainty_mm: number } | undefined;
}) {
  const unit = useUnit();
  return (
    found && (
      <p className={css.foundLine}>
        <span className="muted">{label}</span>
        <strong className="figure">{lengthText(found.length_mm, unit)}</strong> {unit}
        <span className="muted">± {lengthWithUnit(found.uncertainty_mm, unit)}</span>
      </p>
    )
  );
}
