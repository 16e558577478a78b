import { App, Button } from "antd";
import { useNavigate } from "react-router";
import { useAddSock } from "../api/socks";
import { useUnit } from "../units/units";
import type { Board } from "./useBoard";

/** Conflict lets the knitter decide when the sock was changed in another window. */
export function Conflict({ board }: { board: Board }) {
  const add = useAddSock();
  const unit = useUnit();
  const navigate = useNavigate();
  const { message } = App.useApp();
  const kept = board.conflict;
  if (!kept) {
    return null;
  }
  const mineAsCopy = () =>
    add.mutate(
      { ...board.content, name: `${board.content.name || kept.name} (mine)`, unit },
      {
        onSuccess: (copy) => {
          board.settled(kept);
          board.setContent({ name: kept.name, wearer: kept.wearer, draft: kept.draft });
          navigate(`/socks/${copy.id}`);
        },
        onError: (error) => message.error(error.message),
      },
    );
  return (
    <section className="conflict" role="alert">
      <div>
        <strong>This sock was changed in another window.</strong> Nothing of yours is lost: it stands here,
        and it is not saved yet.
      </div>
      <div className="actions">
        <Button
          onClick={() => {
            board.settled(kept);
            board.setContent({ name: kept.name, wearer: kept.wearer, draft: kept.draft });
          }}
        >
          Take the other one
        </Button>
        <Button onClick={board.keepMine}>Keep mine</Button>
        <Button type="primary" loading={add.isPending} onClick={mineAsCopy}>
          Keep both
        </Button>
      </div>
    </section>
  );
}
