import { App, Button, Skeleton } from "antd";
import { useEndVisit, useVisits } from "../api/keeping";
import { Failure } from "../shell/Failure";
import { momentText } from "../shell/moment";
import css from "./keeping.module.css";

/** Devices are those that gave the passphrase; each can be logged out from here. */
export function Devices() {
  const visits = useVisits();
  const end = useEndVisit();
  const { message } = App.useApp();
  return (
    <section aria-labelledby="devices">
      <h2 id="devices">Devices that are logged in</h2>
      {visits.isPending && <Skeleton active />}
      {visits.isError && <Failure error={visits.error} retry={() => visits.refetch()} />}
      <ul className={css.keptList}>
        {visits.data?.map((visit) => (
          <li key={visit.id}>
            <span>
              <strong>{visit.device}</strong>
              {visit.here && " · this one"}
              <br />
              <span className="muted">
                since {momentText(visit.began)}, last seen {momentText(visit.seen)}
              </span>
            </span>
            {!visit.here && (
              <Button
                size="small"
                loading={end.isPending && end.variables === visit.id}
                onClick={() => end.mutate(visit.id, { onError: (error) => message.error(error.message) })}
              >
                Log out
              </Button>
            )}
          </li>
        ))}
      </ul>
      <p className="muted">Start the program with another passphrase, and every device has to log in anew.</p>
    </section>
  );
}
