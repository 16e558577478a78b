import { Button, Input, Skeleton } from "antd";
import { Link, useNavigate } from "react-router";
import { Refusal } from "../api/client";
import { type FootView, useAddWearer, useWearers, type WearerView } from "../api/feet";
import { Failure } from "../shell/Failure";
import { useDraft } from "../shell/useDraft";
import { usePageTitle } from "../shell/usePageTitle";
import { lengthWithUnit, useUnit } from "../units/units";
import css from "./feet.module.css";

/** FeetPage lists the people socks are knitted for. */
export function FeetPage() {
  usePageTitle("Feet");
  const wearers = useWearers();
  return (
    <div className="page">
      <header className="page-heading">
        <h1>Feet</h1>
        <NewWearer />
      </header>
      {wearers.isPending && <Skeleton active />}
      {wearers.isError && <Failure error={wearers.error} retry={() => wearers.refetch()} />}
      {wearers.data?.length === 0 && (
        <p className="lead">
          Nobody yet. Measure once and knit often: each foot by itself, with the day it was measured.
        </p>
      )}
      <ul className={css.wearers}>
        {wearers.data?.map((view) => (
          <Person key={view.wearer.id} view={view} />
        ))}
      </ul>
    </div>
  );
}

function Person({ view }: { view: WearerView }) {
  return (
    <li>
      <h2>
        <Link to={`/feet/${view.wearer.id}`}>{view.wearer.name}</Link>
      </h2>
      <FootLine view={view.left} />
      <FootLine view={view.right} />
      <p className="muted">
        {view.used_by.length === 0
          ? "no socks yet"
          : view.used_by.map((sock, i) => (
              <span key={sock.id}>
                {i > 0 && ", "}
                <Link to={`/socks/${sock.id}`}>{sock.name}</Link>
              </span>
            ))}
      </p>
    </li>
  );
}

function FootLine({ view }: { view: FootView }) {
  const unit = useUnit();
  const { length_mm: length, ball_girth_mm: girth } = view.taken.lengths;
  return (
    <p className={css.footLine}>
      <span className="muted">{view.taken.side}</span>
      {length ? (
        <>
          <strong>{lengthWithUnit(length, unit)}</strong>{" "}
          <span className="muted">
            {girth ? `round ${lengthWithUnit(girth, unit)}` : "girth not measured"}
          </span>
        </>
      ) : (
        <span className="muted">not measured</span>
      )}
    </p>
  );
}

function NewWearer() {
  const { text: name, type: setName, done } = useDraft("new wearer");
  const add = useAddWearer();
  const navigate = useNavigate();
  const fault = add.error instanceof Refusal ? add.error.problem.errors?.[0]?.message : add.error?.message;
  return (
    <form
      className="add-line"
      onSubmit={(event) => {
        event.preventDefault();
        add.mutate(
          { name, cautions: [], note: "" },
          {
            onSuccess: (view) => {
              done();
              navigate(`/feet/${view.wearer.id}`);
            },
          },
        );
      }}
    >
      <Input
        aria-label="Name of the wearer"
        placeholder="Somebody new"
        value={name}
        status={add.isError ? "error" : ""}
        onChange={(event) => setName(event.target.value)}
      />
      <Button type="primary" htmlType="submit" loading={add.isPending} disabled={name.trim() === ""}>
        Measure
      </Button>
      {fault && (
        <p className="fault" role="alert">
          {fault}
        </p>
      )}
    </form>
  );
}
