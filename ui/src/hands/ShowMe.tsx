import { Modal } from "antd";
import { type ReactNode, useState } from "react";
import css from "./hands-beside.module.css";
import { Moves } from "./Moves";

/** ShowMe opens some moves over the page. */
export function ShowMe({ names, children }: { names: string[]; children: ReactNode }) {
  const [open, setOpen] = useState(false);
  if (names.length === 0) {
    return null;
  }
  return (
    <>
      <button type="button" className={css.showMe} aria-haspopup="dialog" onClick={() => setOpen(true)}>
        {children}
      </button>
      <MovesWindow names={open ? names : []} close={() => setOpen(false)} />
    </>
  );
}

/** MovesWindow is a window over the page with some moves; none keeps it closed. */
export function MovesWindow({ names, first, close }: { names: string[]; first?: string; close: () => void }) {
  return (
    <Modal
      open={names.length > 0}
      onCancel={close}
      footer={null}
      width={1120}
      title="Show me"
      destroyOnHidden
      className="moves-window"
    >
      <Moves names={names} first={first} />
    </Modal>
  );
}
