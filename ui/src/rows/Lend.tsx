import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Button, Modal } from "antd";
import { lookAgain } from "../api/change";
import { answered, client, faultText } from "../api/client";
import { momentText } from "../shell/moment";
import css from "./rows.module.css";

/** Lend makes a link by which a friend in the house reads this pattern, and takes it back. */
export function Lend({ id, close }: { id: string; close: () => void }) {
  const queries = useQueryClient();
  const key = ["shares", id];
  const list = useQuery({
    queryKey: key,
    queryFn: async () =>
      answered(await client.GET("/api/socks/{id}/shares", { params: { path: { id } } })).shares,
  });
  const again = () => lookAgain(queries, key);
  const make = useMutation({
    mutationFn: async () =>
      answered(await client.POST("/api/socks/{id}/shares", { params: { path: { id } } })),
    onSuccess: again,
  });
  const end = useMutation({
    mutationFn: async (part: string) =>
      answered(await client.DELETE("/api/socks/{id}/shares/{part}", { params: { path: { id, part } } })),
    onSuccess: again,
  });
  const made = make.data;
  return (
    <Modal open onCancel={close} footer={null} title="Lend this pattern">
      <p>
        A link shows the pattern as a PDF to whoever has it, without the passphrase and without a name, until
        you take it back, or the passphrase becomes another one.
      </p>
      <p>
        <Button type="primary" loading={make.isPending} onClick={() => make.mutate()}>
          Make a link
        </Button>
      </p>
      {made && (
        <div className="stale-note" role="status">
          <p>Copy it now; it is not shown again:</p>
          <p className="pass-url">{made.house ? made.url : `${window.location.origin}${made.url}`}</p>
          {!made.house && (
            <p className="muted">
              Only this machine reaches the program now: a friend can follow it when it is started with
              --listen.
            </p>
          )}
        </div>
      )}
      <p className="fault" role="alert">
        {faultText(make.error ?? end.error ?? list.error)}
      </p>
      <ul className={css.lent}>
        {list.data?.map((share) => (
          <li key={share.hash}>
            Lent on {momentText(share.created)}{" "}
            <Button size="small" onClick={() => end.mutate(share.hash)}>
              Take it back
            </Button>
          </li>
        ))}
      </ul>
    </Modal>
  );
}
