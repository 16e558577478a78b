import { Button, Input, Skeleton } from "antd";
import { Link } from "react-router";
import { useAddVariant, useDeleteVariant, useRestoreVariant, useVariants } from "../api/socks";
import { Failure } from "../shell/Failure";
import { momentText } from "../shell/moment";
import { useTakeOut } from "../shell/useTakeOut";
import { useTyped } from "../shell/useTyped";
import css from "./panels.module.css";
import { useBoard } from "./store";

/** VariantsPanel puts designs aside under a name, brings them back, and holds the notes. */
export function VariantsPanel() {
  const id = useBoard((b) => b.id);
  const draft = useBoard((b) => b.content.draft);
  const notes = useBoard((b) => b.content.notes);
  const change = useBoard((b) => b.change);
  const variants = useVariants(id);
  const add = useAddVariant(id);
  const remove = useDeleteVariant(id);
  const restore = useRestoreVariant(id);
  const takeOut = useTakeOut();
  const { typed, setTyped, send } = useTyped(`variant ${id}`);
  return (
    <>
      <section>
        <h2>
          <label htmlFor="notes">Notes on this sock</label>
        </h2>
        <Input.TextArea
          id="notes"
          value={notes}
          rows={3}
          placeholder="She wants them a little taller than last time."
          onChange={(event) => change({ notes: event.target.value }, "notes")}
        />
      </section>
      <section>
        <h2>Variants</h2>
        <form
          className={css.addVariant}
          onSubmit={(event) => {
            event.preventDefault();
            void send((name) => add.mutateAsync({ name, draft }));
          }}
        >
          <Input
            aria-label="Name of the variant"
            placeholder="With the flap"
            value={typed}
            onChange={(event) => setTyped(event.target.value)}
          />
          <Button type="primary" htmlType="submit" disabled={typed.trim() === ""}>
            Put aside
          </Button>
        </form>
        <p className="fault" role="alert">
          {add.error?.message}
        </p>
        {variants.isPending && <Skeleton active />}
        {variants.isError && <Failure error={variants.error} retry={() => variants.refetch()} />}
        {variants.data?.length === 0 && (
          <p className="hint">
            Put the design aside under a name before you try something else. It can be brought back, or
            compared.
          </p>
        )}
        <ul className={css.variants}>
          {variants.data?.map((variant) => (
            <li key={variant.id}>
              <div>
                <strong>{variant.name}</strong>
                <span className="muted"> {momentText(variant.created)}</span>
              </div>
              <div className="actions">
                <Button onClick={() => change({ draft: variant.draft }, `variant ${variant.id}`)}>
                  Bring it back
                </Button>
                <Link to={`/socks/${id}/compare?way=&way=variant+${variant.id}`}>Compare</Link>
                <Button
                  aria-label={`Delete ${variant.name}`}
                  onClick={() =>
                    takeOut(`${variant.name} is gone.`, remove.mutateAsync(variant.id), () =>
                      restore.mutateAsync(variant.id),
                    )
                  }
                >
                  Delete
                </Button>
              </div>
            </li>
          ))}
        </ul>
      </section>
    </>
  );
}
