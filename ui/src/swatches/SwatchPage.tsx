import { App, Button, Checkbox, Input, Popconfirm, Select } from "antd";
import { useState } from "react";
import { Link, useNavigate, useParams } from "react-router";
import {
  type Form,
  type SwatchView,
  useAddReading,
  useAim,
  useAmendSwatch,
  useDeleteReading,
  useDeleteSwatch,
  useRestoreReading,
  useRestoreSwatch,
  useSwatch,
} from "../api/book";
import { Refusal, type Schemas } from "../api/client";
import { Checks } from "../shell/Checks";
import { Shown } from "../shell/Shown";
import { useDraft } from "../shell/useDraft";
import { usePageTitle } from "../shell/usePageTitle";
import { useTakeOut } from "../shell/useTakeOut";
import { useTyped } from "../shell/useTyped";
import { Term } from "../terms/Term";
import { carried, suffixOf, useCarried } from "../units/carry";
import { gaugeText, gaugeWidth, lengthWithUnit, useUnit } from "../units/units";
import { forms } from "./names";
import { SpreadPlot } from "./SpreadPlot";
import css from "./swatches.module.css";

/** SwatchPage is one swatch: its counts, what is wrong with it, and the next needle. */
export function SwatchPage() {
  const { id = "" } = useParams();
  return (
    <Shown query={useSwatch(id)} back={{ to: "/swatches", label: "To the swatches" }}>
      {(view) => <Swatch key={id} view={view} />}
    </Shown>
  );
}

function Swatch({ view }: { view: SwatchView }) {
  const { swatch, judged, yarn, needle } = view;
  const name = `${yarn?.name ?? "A yarn that is gone"} on ${needle ? `${needle.size_mm} mm` : "a needle"}`;
  usePageTitle(name);
  return (
    <div className="page">
      <header className="page-heading">
        <h1>{name}</h1>
        <a href={`/api/swatches/${swatch.id}/readings.csv`} download>
          Counts as a table
        </a>
        <Delete view={view} name={name} />
      </header>
      <Facts view={view} />
      <div className={css.swatchColumns}>
        <section>
          <h2>
            Counts <small>in three places, over at least 5 cm or 2 inches</small>
          </h2>
          {(["stitches", "rounds"] as const).map((what) => {
            const counted = judged[what];
            return (
              <div key={what} className={css.counted}>
                {counted ? (
                  <SpreadPlot what={what} counted={counted} readings={swatch.readings} />
                ) : (
                  <p className="muted">No {what} yet.</p>
                )}
                <Readings swatch={swatch} what={what} />
                <AddReading id={swatch.id} what={what} />
              </div>
            );
          })}
        </section>
        <section>
          <h2>What the swatch says</h2>
          {judged.density > 0 && (
            <p>
              <Term name="density">Density</Term>{" "}
              <strong className="figure">{(100 * judged.density).toFixed(1)} %</strong>{" "}
              <span className="muted">23 to 27 % wear well</span>
            </p>
          )}
          {judged.checks.length === 0 ? (
            <p className="mark">Nothing is wrong with it.</p>
          ) : (
            <Checks checks={judged.checks} />
          )}
          <Aim id={swatch.id} />
          {view.used_by.length > 0 && (
            <p className="muted">
              Used by{" "}
              {view.used_by.map((sock, i) => (
                <span key={sock.id}>
                  {i > 0 && ", "}
                  <Link to={`/socks/${sock.id}`}>{sock.name}</Link>
                </span>
              ))}
            </p>
          )}
        </section>
      </div>
    </div>
  );
}

function Facts({ view: { swatch } }: { view: SwatchView }) {
  const amend = useAmendSwatch(swatch.id);
  const { message } = App.useApp();
  const { text: note, type: setNote, done } = useDraft(`swatch note ${swatch.id}`, swatch.note);
  const keep = (part: { form?: Form; washed?: boolean; note?: string }) =>
    amend
      .mutateAsync(() => part)
      .then(() => part.note !== undefined && done())
      .catch((error: Error) => message.error(error.message));
  return (
    <div className={css.facts}>
      <Select
        aria-label="Knitted"
        value={swatch.form}
        onChange={(form) => keep({ form: form as Form })}
        options={Object.entries(forms).map(([value, label]) => ({ value, label }))}
      />
      <Checkbox checked={swatch.washed} onChange={(event) => keep({ washed: event.target.checked })}>
        washed and dried
      </Checkbox>
      <Input
        aria-label="Note on the swatch"
        placeholder="A note"
        value={note}
        onChange={(event) => setNote(event.target.value)}
        onBlur={() => note !== swatch.note && keep({ note })}
      />
    </div>
  );
}

function Readings({ swatch, what }: { swatch: Schemas["SwatchSwatch"]; what: string }) {
  const unit = useUnit();
  const remove = useDeleteReading(swatch.id);
  const restore = useRestoreReading(swatch.id);
  const takeOut = useTakeOut();
  return (
    <ul className={css.readings}>
      {swatch.readings
        .filter((r) => r.what === what)
        .map((r) => (
          <li key={r.id}>
            <strong>{r.count}</strong> over {lengthWithUnit(r.width_mm, unit)}{" "}
            <Button
              size="small"
              aria-label={`Take out ${r.count} ${what}`}
              onClick={() =>
                takeOut(`${r.count} ${what} are taken out.`, remove.mutateAsync(r.id), () =>
                  restore.mutateAsync(r.id),
                )
              }
            >
              Take out
            </Button>
          </li>
        ))}
    </ul>
  );
}

function AddReading({ id, what }: { id: string; what: "stitches" | "rounds" }) {
  const unit = useUnit();
  const { typed, setTyped, send } = useTyped(`reading ${id} ${what}`);
  const [width, setWidth] = useState("");
  useCarried((from) => setWidth(carried(width, from)));
  const add = useAddReading(id);
  const faults = add.error instanceof Refusal ? (add.error.problem.errors ?? []) : [];
  const usual = unit === "cm" ? "10" : "4";
  return (
    <form
      className={css.addReading}
      onSubmit={(event) => {
        event.preventDefault();
        void send((count) => add.mutateAsync({ what, count, width: width || usual, unit }));
      }}
    >
      <Input
        aria-label={`Count of ${what}`}
        value={typed}
        suffix={<span className="unit">{what}</span>}
        onChange={(event) => setTyped(event.target.value)}
      />
      <span>over</span>
      <Input
        aria-label={`Width over which ${what} are counted`}
        value={width}
        placeholder={usual}
        suffix={<span className="unit">{unit}</span>}
        onChange={(event) => setWidth(event.target.value)}
      />
      <Button htmlType="submit" disabled={typed.trim() === ""}>
        Add
      </Button>
      <p className="fault" role="alert">
        {faults.length > 0 ? faults.map((f) => f.message).join(" ") : add.error?.message}
      </p>
    </form>
  );
}

/** Aim says what each needle would probably give, from the knitter's own swatches of this yarn. */
function Aim({ id }: { id: string }) {
  const unit = useUnit();
  const [stitches, setStitches] = useState("");
  useCarried((from) => setStitches(carried(stitches, suffixOf("gauge.", from))));
  const aim = useAim(id);
  return (
    <section className={css.aim}>
      <h2>The next needle</h2>
      <form
        className={css.addReading}
        onSubmit={(event) => {
          event.preventDefault();
          aim.mutate({ stitches, unit });
        }}
      >
        <label htmlFor="aim">I want</label>
        <Input
          id="aim"
          value={stitches}
          suffix={<span className="unit">in {gaugeWidth(unit)}</span>}
          onChange={(event) => setStitches(event.target.value)}
        />
        <Button htmlType="submit" loading={aim.isPending} disabled={stitches.trim() === ""}>
          Which needle?
        </Button>
        <p className="fault" role="alert">
          {aim.error?.message}
        </p>
      </form>
      {aim.data && (
        <>
          {aim.data.best_size_mm > 0 && (
            <p>
              Try <strong className="figure">{aim.data.best_size_mm} mm</strong>
            </p>
          )}
          <table className="figures">
            <thead>
              <tr>
                <th scope="col">needle</th>
                <th scope="col">stitches in {gaugeWidth(unit)}</th>
              </tr>
            </thead>
            <tbody>
              {aim.data.tries.map((t) => (
                <tr key={t.size_mm} className={t.size_mm === aim.data.best_size_mm ? "changed" : ""}>
                  <th scope="row">{t.size_mm} mm</th>
                  <td>
                    about {gaugeText(t.stitches_per_100mm, unit)} {t.knitted && "· you have knitted this one"}{" "}
                    {t.beyond && <span className="muted">· {t.beyond}</span>}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
          <p className="hint">{aim.data.text}</p>
        </>
      )}
    </section>
  );
}

function Delete({ view, name }: { view: SwatchView; name: string }) {
  const remove = useDeleteSwatch();
  const restore = useRestoreSwatch();
  const takeOut = useTakeOut();
  const navigate = useNavigate();
  const { id } = view.swatch;
  // Away first: this page has nothing to show once its swatch is deleted.
  const go = () => {
    navigate("/swatches");
    return takeOut(`The swatch of ${name} is deleted.`, remove.mutateAsync(id), () =>
      restore.mutateAsync(id),
    );
  };
  if (view.used_by.length === 0) {
    return <Button onClick={go}>Delete</Button>;
  }
  return (
    <Popconfirm
      title="Delete this swatch?"
      description={`Used by ${view.used_by.map((s) => s.name).join(", ")}. The socks keep the gauge they took.`}
      okText="Delete"
      onConfirm={go}
    >
      <Button>Delete</Button>
    </Popconfirm>
  );
}
