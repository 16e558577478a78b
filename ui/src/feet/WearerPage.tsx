import { App, Button, Checkbox, Input, Popconfirm, Segmented } from "antd";
import { Link, useNavigate, useParams, useSearchParams } from "react-router";
import {
  type Side,
  useAmendWearer,
  useDeleteTracing,
  useDeleteWearer,
  useRestoreTracing,
  useRestoreWearer,
  useWearer,
  type WearerView,
} from "../api/feet";
import { useCautions, useKinds } from "../api/reference";
import { Checks } from "../shell/Checks";
import { Shown } from "../shell/Shown";
import { useDraft } from "../shell/useDraft";
import { usePageTitle } from "../shell/usePageTitle";
import { useTakeOut } from "../shell/useTakeOut";
import css from "./feet.module.css";
import { Growth } from "./Growth";
import { Measure } from "./Measure";
import { Table } from "./Table";

/** WearerPage is one person: both feet, what to be careful of, and how a foot grows. */
export function WearerPage() {
  const { id = "" } = useParams();
  return (
    <Shown query={useWearer(id)} back={{ to: "/feet", label: "To the feet" }}>
      {(view) => <Person key={id} view={view} />}
    </Shown>
  );
}

function Person({ view }: { view: WearerView }) {
  const { wearer } = view;
  usePageTitle(wearer.name);
  const kinds = useKinds();
  const [search, setSearch] = useSearchParams();
  const side: Side = search.get("side") === "right" ? "right" : "left";
  const foot = side === "left" ? view.left : view.right;
  return (
    <div className="page">
      <header className="page-heading">
        <Name view={view} />
        <Delete view={view} />
      </header>
      <div className={css.footHead}>
        <Segmented<Side>
          aria-label="Which foot"
          options={[
            { label: "Left foot", value: "left" },
            { label: "Right foot", value: "right" },
          ]}
          value={side}
          onChange={(next) => setSearch({ side: next }, { replace: true })}
        />
        <Link to={`/feet/${wearer.id}/tracing?side=${side}`}>Measure a tracing on the screen</Link>
      </div>
      {foot.checks.length > 0 && <Checks checks={foot.checks} />}
      <ul className={css.measures}>
        {kinds.map((kind) => (
          <Measure
            key={`${side} ${kind.name}`}
            wearer={wearer.id}
            side={side}
            kind={kind}
            foot={foot}
            history={wearer.measurements.filter((m) => m.side === side && m.what === kind.name)}
          />
        ))}
      </ul>
      {foot.grows && <Growth wearer={wearer.id} side={side} />}
      <Tracings view={view} side={side} />
      <Careful view={view} />
      <Table id={wearer.id} />
    </div>
  );
}

function Name({ view: { wearer } }: { view: WearerView }) {
  const amend = useAmendWearer(wearer.id);
  const { text: name, type: setName, done } = useDraft(`wearer name ${wearer.id}`, wearer.name);
  const { message } = App.useApp();
  const keep = () => {
    if (name.trim() !== wearer.name) {
      amend
        .mutateAsync(() => ({ name }))
        .then(done)
        .catch((error: Error) => message.error(error.message));
    }
  };
  return (
    <h1 className={css.wearerName}>
      <Input
        aria-label="Name of the wearer"
        variant="borderless"
        value={name}
        status={amend.isError ? "error" : ""}
        onChange={(event) => setName(event.target.value)}
        onBlur={keep}
        onPressEnter={keep}
      />
    </h1>
  );
}

function Delete({ view }: { view: WearerView }) {
  const remove = useDeleteWearer();
  const restore = useRestoreWearer();
  const takeOut = useTakeOut();
  const navigate = useNavigate();
  const { id, name } = view.wearer;
  // Away first: this page has nothing to show once its wearer is deleted.
  const go = () => {
    navigate("/feet");
    return takeOut(`${name} is deleted.`, remove.mutateAsync(id), () => restore.mutateAsync(id));
  };
  if (view.used_by.length === 0) {
    return <Button onClick={go}>Delete</Button>;
  }
  return (
    <Popconfirm
      title={`Delete ${name}?`}
      description={`Used by ${view.used_by.map((s) => s.name).join(", ")}. The socks keep the figures they took.`}
      okText="Delete"
      onConfirm={go}
    >
      <Button>Delete</Button>
    </Popconfirm>
  );
}

/** Careful are the ticks that change the advice on every sock for this person. */
function Careful({ view: { wearer } }: { view: WearerView }) {
  const cautions = useCautions();
  const amend = useAmendWearer(wearer.id);
  const { message } = App.useApp();
  const { text: note, type: setNote, done } = useDraft(`wearer note ${wearer.id}`, wearer.note);
  const keep = (part: Parameters<typeof amend.mutateAsync>[0], kept = () => {}) =>
    amend
      .mutateAsync(part)
      .then(kept)
      .catch((error: Error) => message.error(error.message));
  return (
    <section className={css.careful}>
      <h2>What to be careful of</h2>
      <ul>
        {cautions.map((caution) => {
          const on = wearer.cautions.includes(caution.name);
          return (
            <li key={caution.name}>
              <Checkbox
                checked={on}
                onChange={(event) => {
                  const { checked } = event.target;
                  const { name } = caution;
                  keep(({ wearer: { cautions } }) => ({
                    cautions: [...cautions.filter((c) => c !== name), ...(checked ? [name] : [])],
                  }));
                }}
              >
                {caution.label}
              </Checkbox>
              {on && <p className={css.cautionAdvice}>{caution.advice}</p>}
            </li>
          );
        })}
      </ul>
      <label htmlFor="wearer-note" className={css.fieldLabel}>
        Notes: where socks wear through, in shoes or not, how they are washed
      </label>
      <Input.TextArea
        id="wearer-note"
        value={note}
        rows={2}
        onChange={(event) => setNote(event.target.value)}
        onBlur={() => note !== wearer.note && keep(() => ({ note }), done)}
      />
    </section>
  );
}

function Tracings({ view: { wearer }, side }: { view: WearerView; side: Side }) {
  const remove = useDeleteTracing(wearer.id);
  const restore = useRestoreTracing(wearer.id);
  const takeOut = useTakeOut();
  const list = wearer.tracings.filter((t) => t.side === side);
  if (list.length === 0) {
    return null;
  }
  return (
    <section>
      <h2>Tracings</h2>
      <ul className={css.tracings}>
        {list.map((tracing) => (
          <li key={tracing.id}>
            {tracing.preview && <img src={tracing.preview} alt={`Tracing of ${tracing.measured_on}`} />}
            <span>{tracing.measured_on}</span>
            <Button
              size="small"
              onClick={() =>
                takeOut(
                  `The tracing of ${tracing.measured_on} is deleted.`,
                  remove.mutateAsync(tracing.id),
                  () => restore.mutateAsync(tracing.id),
                )
              }
            >
              Delete the picture
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}
