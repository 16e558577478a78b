import { App, Button, Popconfirm, Skeleton } from "antd";
import { type Thing, useBin, useBringBack, useRemoveForEver } from "../api/keeping";
import { Failure } from "../shell/Failure";
import { dayText, momentText } from "../shell/moment";
import css from "./keeping.module.css";

const kinds: Record<Thing["kind"], string> = {
  sock: "sock",
  variant: "variant",
  reading: "count",
  measurement: "measurement",
  tracing: "tracing",
  swatch: "swatch",
  wearer: "wearer",
  yarn: "yarn",
  needle: "needle",
};

/** Bin lists what was deleted, to bring it back or to remove it for ever. */
export function Bin() {
  const bin = useBin();
  return (
    <section aria-labelledby="bin">
      <h2 id="bin">Bin</h2>
      {bin.isPending && <Skeleton active />}
      {bin.isError && <Failure error={bin.error} retry={() => bin.refetch()} />}
      {bin.data?.length === 0 && (
        <p className="muted">Nothing is in the bin. What you delete stays here for ninety days.</p>
      )}
      {(bin.data?.length ?? 0) > 0 && (
        <ul className={css.keptList}>
          {bin.data?.map((thing) => (
            <Entry key={thing.kind + thing.id} thing={thing} />
          ))}
        </ul>
      )}
    </section>
  );
}

function Entry({ thing }: { thing: Thing }) {
  const back = useBringBack();
  const remove = useRemoveForEver();
  const { message } = App.useApp();
  const failed = (error: Error) => message.error(error.message);
  return (
    <li>
      <span>
        <strong>{thing.name || "without a name"}</strong>
        {thing.of && ` · ${thing.of}`}
        <br />
        <span className="muted">
          {kinds[thing.kind]}, deleted {momentText(thing.deleted)}, here until {dayText(thing.until)}
        </span>
      </span>
      <span className="actions">
        <Button
          size="small"
          loading={back.isPending}
          aria-label={`Bring ${thing.name} back`}
          onClick={() =>
            back.mutate(thing, {
              onSuccess: () => message.success(`${thing.name} is back.`),
              onError: failed,
            })
          }
        >
          Bring back
        </Button>
        <Popconfirm
          title={`Remove ${thing.name} for ever?`}
          description="With all that belongs to it. Only copies made before still hold it."
          okText="Remove for ever"
          onConfirm={() => remove.mutate(thing, { onError: failed })}
        >
          <Button size="small" danger aria-label={`Remove ${thing.name} for ever`}>
            Remove
          </Button>
        </Popconfirm>
      </span>
    </li>
  );
}
