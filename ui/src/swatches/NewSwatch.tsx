import { Button, Checkbox, Input, Select } from "antd";
import { useState } from "react";
import { useNavigate } from "react-router";
import { type Book, useAddNeedle, useAddSwatch, useAddYarn } from "../api/book";
import { Refusal } from "../api/client";
import { useDraftOf } from "../shell/useDraft";
import { carried, useCarried } from "../units/carry";
import { useUnit, yarnUnit } from "../units/units";
import { forms } from "./names";
import css from "./swatches.module.css";

const anew = "new";

const blank = { name: "", ball_g: "100", ball_m: "420", fibre: "", size_mm: "" };
const blanks = { cm: blank, in: { ...blank, ball_m: "460" } };

/** NewSwatch asks for yarn, needle and how it was knitted; the counts come on its own page. */
export function NewSwatch({ book }: { book: Book }) {
  const unit = useUnit();
  const [yarn, setYarn] = useState(book.yarns[0]?.id ?? anew);
  const [needle, setNeedle] = useState(book.needles[0]?.id ?? anew);
  const [form, setForm] = useState<"round" | "flat" | "sock">("round");
  const [washed, setWashed] = useState(false);
  const { text: made, type: setMade, done } = useDraftOf("new swatch", blanks[unit]);
  useCarried((from) =>
    setMade(made === blanks[from] ? blanks[unit] : { ...made, ball_m: carried(made.ball_m, yarnUnit(from)) }),
  );
  const addYarn = useAddYarn();
  const addNeedle = useAddNeedle();
  const addSwatch = useAddSwatch();
  const navigate = useNavigate();
  const [error, setError] = useState<Error | null>(null);
  const faults = error instanceof Refusal ? (error.problem.errors ?? []) : [];
  const faultOf = (field: string) => faults.find((f) => f.field === field)?.message;
  const busy = addYarn.isPending || addNeedle.isPending || addSwatch.isPending;
  const keep = async () => {
    try {
      const yarnID =
        yarn !== anew ? yarn : (await addYarn.mutateAsync({ revision: 0, note: "", unit, ...pick(made) })).id;
      setYarn(yarnID);
      const needleID =
        needle !== anew ? needle : (await addNeedle.mutateAsync({ size_mm: made.size_mm, name: "" })).id;
      setNeedle(needleID);
      const view = await addSwatch.mutateAsync({
        revision: 0,
        yarn_id: yarnID,
        needle_id: needleID,
        form,
        washed,
        note: "",
      });
      done();
      navigate(`/swatches/${view.swatch.id}`);
    } catch (failure) {
      setError(failure as Error);
    }
  };
  const text = (name: keyof typeof blank, label: string, suffix: string) => (
    <div className="field">
      <label htmlFor={`new-${name}`}>{label}</label>
      <Input
        id={`new-${name}`}
        value={made[name]}
        suffix={<span className="unit">{suffix}</span>}
        status={faultOf(name) ? "error" : ""}
        onChange={(event) => setMade({ ...made, [name]: event.target.value })}
      />
      <p className="fault" role="alert">
        {faultOf(name)}
      </p>
    </div>
  );
  return (
    <form
      className={css.newSwatch}
      onSubmit={(event) => {
        event.preventDefault();
        void keep();
      }}
    >
      <div className="field">
        <label htmlFor="swatch-yarn">Yarn</label>
        <Select
          id="swatch-yarn"
          aria-label="Yarn"
          className="whole"
          value={yarn}
          onChange={setYarn}
          options={[
            ...book.yarns.map((y) => ({ value: y.id, label: y.name })),
            { value: anew, label: "another yarn …" },
          ]}
        />
      </div>
      {yarn === anew && (
        <>
          {text("name", "Name of the yarn", "")}
          {text("ball_g", "A ball weighs", "g")}
          {text("ball_m", "It measures", yarnUnit(unit))}
          {text("fibre", "Fibre", "")}
        </>
      )}
      <div className="field">
        <label htmlFor="swatch-needle">Needle</label>
        <Select
          id="swatch-needle"
          aria-label="Needle"
          className="whole"
          value={needle}
          onChange={setNeedle}
          options={[
            ...book.needles.map((n) => ({ value: n.id, label: `${n.size_mm} mm ${n.name}`.trim() })),
            { value: anew, label: "another needle …" },
          ]}
        />
      </div>
      {needle === anew && text("size_mm", "Thickness of the needle", "mm")}
      <div className="field">
        <label htmlFor="swatch-form">Knitted</label>
        <Select
          id="swatch-form"
          aria-label="Knitted"
          className="whole"
          value={form}
          onChange={setForm}
          options={Object.entries(forms).map(([value, label]) => ({ value: value as "round", label }))}
        />
      </div>
      <Checkbox checked={washed} onChange={(event) => setWashed(event.target.checked)}>
        washed and dried
      </Checkbox>
      {error && faults.length === 0 && (
        <p className="fault" role="alert">
          {error.message}
        </p>
      )}
      <Button type="primary" htmlType="submit" loading={busy}>
        To the counts
      </Button>
    </form>
  );
}

const pick = ({ name, ball_g, ball_m, fibre }: Record<"name" | "ball_g" | "ball_m" | "fibre", string>) => ({
  name,
  ball_g,
  ball_m,
  fibre,
});
