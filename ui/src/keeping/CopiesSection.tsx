import { Button, Modal, Skeleton } from "antd";
import { faultText } from "../api/client";
import { type Contents, type CopyStatus, useCopies, useLookAtCopy, useRestore } from "../api/keeping";
import { Failure } from "../shell/Failure";
import { momentText } from "../shell/moment";
import { BasketArchive } from "./BasketArchive";
import css from "./keeping.module.css";

/** CopiesSection shows the copies that are made by themselves, gives one to take away, and puts one back. */
export function CopiesSection() {
  const copies = useCopies();
  const look = useLookAtCopy();
  return (
    <section aria-labelledby="copies">
      <h2 id="copies">Copies</h2>
      {copies.isPending && <Skeleton active />}
      {copies.isError && <Failure error={copies.error} retry={() => copies.refetch()} />}
      {copies.data && <LastCopy status={copies.data} />}
      <p className="actions">
        <Button type="primary" href="/api/copies/fresh" download>
          Take a copy away
        </Button>
        <BasketArchive />
        <label className={css.putBack}>
          Put a copy back
          <input
            type="file"
            accept=".db"
            onChange={(event) => {
              const file = event.target.files?.[0];
              event.target.value = "";
              if (file) {
                look.mutate(file);
              }
            }}
          />
        </label>
      </p>
      {look.isPending && <p role="status">Looking into the copy…</p>}
      {look.isError && (
        <p className="fault" role="alert">
          {faultText(look.error)}
        </p>
      )}
      <p className="muted">
        A copy holds everything: socks, feet, swatches and every tick. Keep one on another machine: a house
        that burns takes both.
      </p>
      {(copies.data?.copies.length ?? 0) > 0 && (
        <ul className={css.keptList} aria-label="Copies of days">
          {copies.data?.copies.map((copy) => (
            <li key={copy.id}>
              <span>
                <strong>{momentText(copy.made)}</strong>{" "}
                <span className="muted">{(copy.bytes / 1e6).toFixed(1)} MB</span>
              </span>
              <span className="actions">
                <Button size="small" href={`/api/copies/${copy.id}/file`} download>
                  Take away
                </Button>
                <Button size="small" onClick={() => look.mutate(copy.id)}>
                  Put back…
                </Button>
              </span>
            </li>
          ))}
        </ul>
      )}
      <PutBack look={look} />
    </section>
  );
}

function LastCopy({ status }: { status: CopyStatus }) {
  const last = status.copies[0];
  if (!status.on) {
    return <p className="stale-note">This program makes no copies by itself. It was started so.</p>;
  }
  return (
    <>
      <p className={css.keepingLast}>
        {last ? (
          <>
            The last copy is of <strong>{momentText(last.made)}</strong>.
          </>
        ) : (
          "No copy was made yet: the first one comes when there is something to keep."
        )}
      </p>
      {status.doubt && <p className="stale-note">{status.doubt}</p>}
      {status.failed && (
        <p className="fault" role="alert">
          The copy that was due could not be made: {status.failed}.
        </p>
      )}
    </>
  );
}

/** PutBack says what would change before anything does. */
function PutBack({ look }: { look: ReturnType<typeof useLookAtCopy> }) {
  const restore = useRestore();
  const view = look.data;
  const close = () => {
    restore.reset();
    look.reset();
  };
  return (
    <Modal
      open={view !== undefined}
      title="Put this copy in the place of what is here?"
      okText="Put it back"
      confirmLoading={restore.isPending}
      onOk={() => view && restore.mutate(view.id)}
      onCancel={close}
    >
      {view && (
        <table className="figures">
          <thead>
            <tr>
              <td />
              <th scope="col">here now</th>
              <th scope="col">in the copy</th>
            </tr>
          </thead>
          <tbody>
            <Line label="socks" of={(c) => c.socks} view={view} />
            <Line label="ticks and notes" of={(c) => c.events} view={view} />
            <Line label="last change" of={(c) => (c.last ? momentText(c.last) : "none")} view={view} />
          </tbody>
        </table>
      )}
      <p>What is here now is kept beside it on the machine where the program runs.</p>
      {restore.isError && (
        <p className="fault" role="alert">
          {faultText(restore.error)}
        </p>
      )}
    </Modal>
  );
}

function Line({
  label,
  of,
  view,
}: {
  label: string;
  of: (c: Contents) => number | string;
  view: { now: Contents; there: Contents };
}) {
  return (
    <tr>
      <th scope="row">{label}</th>
      <td>{of(view.now)}</td>
      <td>{of(view.there)}</td>
    </tr>
  );
}
