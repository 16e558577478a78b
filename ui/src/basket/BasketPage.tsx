import { useQuery } from "@tanstack/react-query";
import { App, Button, Dropdown, Input, Skeleton } from "antd";
import { useState } from "react";
import { Link, useNavigate } from "react-router";
import type { Sock } from "../api/client";
import { planOf } from "../api/plan";
import { useBasket, useDeleteSock, useDuplicateSock, useRestoreSock, useSaveSock } from "../api/socks";
import { SockSketch } from "../drawing/SockDrawing";
import { Strip } from "../drawing/Strip";
import { Failure } from "../shell/Failure";
import { usePageTitle } from "../shell/usePageTitle";
import { useUnit } from "../units/units";

/** BasketPage is home: the socks, each with its picture and its one line. */
export function BasketPage() {
  usePageTitle("");
  const basket = useBasket();
  if (basket.isPending) {
    return <Skeleton active className="page" />;
  }
  if (basket.isError) {
    return (
      <div className="page">
        <Failure error={basket.error} retry={() => basket.refetch()} />
      </div>
    );
  }
  if (basket.data.length === 0) {
    return <EmptyBasket />;
  }
  return (
    <div className="page basket">
      <header className="page-heading">
        <h1>Socks in the basket</h1>
        <NewSockLink />
      </header>
      <ul className="socks">
        {basket.data.map((sock) => (
          <Entry key={sock.id} sock={sock} />
        ))}
      </ul>
    </div>
  );
}

function NewSockLink() {
  const navigate = useNavigate();
  return (
    <Button type="primary" size="large" onClick={() => navigate("/socks/new")}>
      New sock
    </Button>
  );
}

function EmptyBasket() {
  return (
    <div className="page narrow">
      <h1>The basket is empty</h1>
      <ol className="steps">
        <li>Stand on paper and measure a foot: its length, and its girth round the ball.</li>
        <li>Knit a swatch in the round, wash it, and count stitches and rounds over 10 cm or 4 inches.</li>
        <li>Type the four figures. The sock is drawn while you type, and every row is checked.</li>
      </ol>
      <NewSockLink />
    </div>
  );
}

function Entry({ sock }: { sock: Sock }) {
  const unit = useUnit();
  const plan = useQuery({ ...planOf(sock.draft, unit), enabled: sock.digest.rows > 0 });
  const [renaming, setRenaming] = useState(false);
  const { plan: made, shape, words } = plan.data ?? {};
  return (
    <li className="entry">
      <Link to={`/socks/${sock.id}`} className="entry-picture" tabIndex={-1} aria-hidden="true">
        {made && shape ? <SockSketch shape={shape} plan={made} /> : <span className="unfinished">?</span>}
      </Link>
      <div className="entry-text">
        {renaming ? (
          <Rename sock={sock} done={() => setRenaming(false)} />
        ) : (
          <h2>
            <Link to={`/socks/${sock.id}`}>{sock.name}</Link>
          </h2>
        )}
        <p className="muted">
          {sock.wearer && <>for {sock.wearer} · </>}
          {sock.digest.rows > 0
            ? `${sock.digest.foot_stitches} stitches · ${sock.digest.rows} rows`
            : "half designed: go on at the board"}
        </p>
        {made && words && <Strip plan={made} words={words} titled={false} />}
      </div>
      <Actions sock={sock} rename={() => setRenaming(true)} />
    </li>
  );
}

function Actions({ sock, rename }: { sock: Sock; rename: () => void }) {
  const remove = useDeleteSock();
  const restore = useRestoreSock();
  const duplicate = useDuplicateSock();
  const { message } = App.useApp();
  const failed = (error: Error) => message.error(error.message);
  const takeOut = () =>
    remove.mutate(sock.id, {
      onError: failed,
      onSuccess: () => {
        const key = `deleted-${sock.id}`;
        message.open({
          key,
          duration: 12,
          content: (
            <span>
              {sock.name} is out of the basket.{" "}
              <Button
                size="small"
                onClick={() =>
                  restore.mutate(sock.id, { onError: failed, onSuccess: () => message.destroy(key) })
                }
              >
                Undo
              </Button>
            </span>
          ),
        });
      },
    });
  const items = [
    { key: "rename", label: "Rename", onClick: rename },
    { key: "duplicate", label: "Duplicate", onClick: () => duplicate.mutate(sock.id, { onError: failed }) },
    { key: "delete", label: "Delete", danger: true, onClick: takeOut },
  ];
  return (
    <Dropdown menu={{ items }} trigger={["click"]} placement="bottomRight">
      <Button aria-label={`More for ${sock.name}`}>More</Button>
    </Dropdown>
  );
}

function Rename({ sock, done }: { sock: Sock; done: () => void }) {
  const [name, setName] = useState(sock.name);
  const save = useSaveSock();
  const unit = useUnit();
  return (
    <form
      className="rename"
      onSubmit={(event) => {
        event.preventDefault();
        const { id, revision, wearer, draft } = sock;
        save.mutate({ id, revision, wearer, draft, unit, name }, { onSuccess: done });
      }}
    >
      <Input
        aria-label="New name"
        autoFocus
        value={name}
        status={save.isError ? "error" : ""}
        onChange={(event) => setName(event.target.value)}
        onKeyDown={(event) => event.key === "Escape" && done()}
      />
      <Button type="primary" htmlType="submit" loading={save.isPending}>
        Keep
      </Button>
      <Button onClick={done}>Cancel</Button>
      {save.isError && (
        <p className="fault" role="alert">
          {save.error.message}
        </p>
      )}
    </form>
  );
}
