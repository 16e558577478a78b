import { App, Button } from "antd";
import { useNavigate } from "react-router";
import { useAddSock } from "../api/socks";
import { useUnit } from "../units/units";
import css from "./board.module.css";
import { useBoard } from "./store";

/** Conflict lets the knitter decide when the sock was changed elsewhere. */
export function Conflict() {
  const add = useAddSock();
  const unit = useUnit();
  const navigate = useNavigate();
  const { message } = App.useApp();
  const kept = useBoard((b) => b.conflict);
  const content = useBoard((b) => b.content);
  const keepMine = useBoard((b) => b.keepMine);
  const takeTheirs = useBoard((b) => b.takeTheirs);
  if (!kept) {
    return null;
  }
  const mineAsCopy = () =>
    add.mutate(
      { ...content, name: `${content.name || kept.name} (mine)`, unit },
      {
        onSuccess: (copy) => {
          takeTheirs();
          navigate(`/socks/${copy.id}`);
        },
        onError: (error) => message.error(error.message),
      },
    );
  return (
    <section className={css.conflict} role="alert">
      <div>
        <strong>This sock was changed elsewhere.</strong> Nothing of yours is lost: it stands here, and it is
        not saved yet.
      </div>
      <div className="actions">
        <Button onClick={takeTheirs}>Take the other one</Button>
        <Button onClick={keepMine}>Keep mine</Button>
        <Button type="primary" loading={add.isPending} onClick={mineAsCopy}>
          Keep both
        </Button>
      </div>
    </section>
  );
}
