import { App, Button, Input, Skeleton } from "antd";
import { useState } from "react";
import { Link } from "react-router";
import { useAddVersion, useDeleteVersion, useRestoreVersion, useVersions } from "../api/socks";
import { Failure } from "../shell/Failure";
import { useBoard } from "./store";

/** VersionsPanel puts designs aside under a name, brings them back, and holds the notes. */
export function VersionsPanel() {
  const id = useBoard((b) => b.id);
  const draft = useBoard((b) => b.content.draft);
  const notes = useBoard((b) => b.content.notes);
  const change = useBoard((b) => b.change);
  const versions = useVersions(id);
  const add = useAddVersion(id);
  const remove = useDeleteVersion(id);
  const restore = useRestoreVersion(id);
  const { message } = App.useApp();
  const [name, setName] = useState("");
  const failed = (error: Error) => message.error(error.message);
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
        <h2>Versions</h2>
        <form
          className="add-version"
          onSubmit={(event) => {
            event.preventDefault();
            add.mutate({ name, draft }, { onSuccess: () => setName(""), onError: failed });
          }}
        >
          <Input
            aria-label="Name of the version"
            placeholder="With the flap"
            value={name}
            onChange={(event) => setName(event.target.value)}
          />
          <Button type="primary" htmlType="submit" loading={add.isPending} disabled={name.trim() === ""}>
            Put aside
          </Button>
        </form>
        {versions.isPending && <Skeleton active />}
        {versions.isError && <Failure error={versions.error} retry={() => versions.refetch()} />}
        {versions.data?.length === 0 && (
          <p className="hint">
            Put the design aside under a name before you try something else. It can be brought back, or
            compared.
          </p>
        )}
        <ul className="versions">
          {versions.data?.map((version) => (
            <li key={version.id}>
              <div>
                <strong>{version.name}</strong>
                <span className="muted"> {new Date(version.created).toLocaleString()}</span>
              </div>
              <div className="actions">
                <Button onClick={() => change({ draft: version.draft }, `version ${version.id}`)}>
                  Bring it back
                </Button>
                <Link to={`/socks/${id}/compare?way=&way=version+${version.id}`}>Compare</Link>
                <Button
                  aria-label={`Delete ${version.name}`}
                  onClick={() =>
                    remove.mutate(version.id, {
                      onError: failed,
                      onSuccess: () =>
                        message.open({
                          key: version.id,
                          duration: 12,
                          content: (
                            <span>
                              {version.name} is gone.{" "}
                              <Button
                                size="small"
                                onClick={() =>
                                  restore.mutate(version.id, {
                                    onError: failed,
                                    onSuccess: () => message.destroy(version.id),
                                  })
                                }
                              >
                                Undo
                              </Button>
                            </span>
                          ),
                        }),
                    })
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
