import { useQuery } from "@tanstack/react-query";
import { App, Button, Dropdown, Input, Skeleton } from "antd";
import { useDeferredValue, useState } from "react";
import { Link, useNavigate } from "react-router";
import type { Progress, Sock } from "../api/client";
import { useCopies } from "../api/keeping";
import { briefOf, drawingOf } from "../api/plan";
import {
  atOnce,
  useBasket,
  useDeleteSock,
  useDuplicateSock,
  useProgress,
  useRestoreSock,
  useSaveSock,
} from "../api/socks";
import { contentOf } from "../board/content";
import { SockSketch } from "../drawing/Rows";
import { Strip } from "../drawing/Strip";
import { Failure } from "../shell/Failure";
import { momentText } from "../shell/moment";
import { usePageTitle } from "../shell/usePageTitle";
import { useTakeOut } from "../shell/useTakeOut";
import { useUnit } from "../units/units";
import css from "./basket.module.css";
import { OpenFile } from "./OpenFile";

/** From how many socks on a name is looked for. */
const many = 12;

/** BasketPage is home: the socks, each with its picture and its one line. */
export function BasketPage() {
  usePageTitle("");
  const [name, setName] = useState("");
  const basket = useBasket(useDeferredValue(name));
  const all = useBasket("").data?.pages[0]?.all ?? 0;
  if (basket.isPending) {
    return <Skeleton active className="page" />;
  }
  if (!basket.data) {
    return (
      <div className="page">
        <Failure error={basket.error} retry={() => basket.refetch()} />
      </div>
    );
  }
  if (all === 0 && name === "") {
    return <EmptyBasket />;
  }
  const { pages } = basket.data;
  const found = pages[0]?.all ?? 0;
  // A sock that is put in between two parts pushes the last one of the first into the second as well.
  const shown = [
    ...new Map(pages.flatMap((page) => page.socks).map((sock) => [sock.id, sock] as const)).values(),
  ];
  return (
    <OpenFile>
      {(open) => (
        <div className="page basket">
          <header className="page-heading">
            <h1>Socks in the basket</h1>
            {all > many && (
              <Input
                className={css.find}
                aria-label="Find a sock or a wearer"
                placeholder="Find a sock or a wearer"
                allowClear
                value={name}
                onChange={(event) => setName(event.target.value)}
              />
            )}
            <span className={css.basketBegins}>
              {open}
              <NewSockLink />
            </span>
          </header>
          {found === 0 && <p>No sock and no wearer is called “{name}”.</p>}
          <ul className={css.socks}>
            {shown.map((sock) => (
              <Entry key={sock.id} sock={sock} />
            ))}
          </ul>
          {basket.hasNextPage && (
            <Button
              className={css.showMore}
              loading={basket.isFetchingNextPage}
              onClick={() => basket.fetchNextPage()}
            >
              Show {Math.min(atOnce, found - shown.length)} more of {found}
            </Button>
          )}
          <CopyLine />
        </div>
      )}
    </OpenFile>
  );
}

/** CopyLine says when all of this was copied last, and when that failed. */
function CopyLine() {
  const status = useCopies().data;
  if (!status?.on) {
    return null;
  }
  const last = status.copies[0];
  return (
    <p
      className={`${status.failed ? "fault" : "muted"} ${css.copyLine}`}
      role={status.failed ? "alert" : undefined}
    >
      {status.failed
        ? `The copy that was due could not be made: ${status.failed}. `
        : last
          ? `Last copied on ${momentText(last.made)}. `
          : "Not copied yet. "}
      <Link to="/keeping">Safe keeping</Link>
    </p>
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

const firstSteps = [
  {
    to: "/feet",
    title: "Measure a foot",
    text: "Standing on paper: its length, and its girth round the ball. Or trace it and measure on the screen.",
  },
  {
    to: "/swatches",
    title: "Knit a swatch",
    text: "In the round. Wash it, dry it, and count stitches and rounds in three places.",
  },
  {
    to: "/socks/new",
    title: "Decide the sock",
    text: "It is drawn while you choose. Every row is checked, loop by loop, before you knit it.",
  },
];

function EmptyBasket() {
  return (
    <OpenFile>
      {(open) => (
        <div className="page narrow basket">
          <h1>The basket is empty</h1>
          <p className="lead">Your first sock in three steps.</p>
          <ol className={css.firstSteps}>
            {firstSteps.map((step) => (
              <li key={step.to}>
                <h2>
                  <Link to={step.to}>{step.title}</Link>
                </h2>
                <p>{step.text}</p>
              </li>
            ))}
          </ol>
          <span className={css.basketBegins}>
            <NewSockLink />
            {open}
          </span>
        </div>
      )}
    </OpenFile>
  );
}

function Entry({ sock }: { sock: Sock }) {
  const unit = useUnit();
  const plan = useQuery({ ...briefOf(sock.draft, unit), enabled: sock.digest.rows > 0 });
  const [renaming, setRenaming] = useState(false);
  const { plan: made } = plan.data ?? {};
  const { shape } =
    useQuery({ ...drawingOf(sock.draft, unit, true), enabled: sock.digest.rows > 0 }).data ?? {};
  const progress = useProgress(sock.id, sock.on_needles).data;
  const strip = progress?.strip ?? plan.data?.strip;
  const navigate = useNavigate();
  return (
    <li className={css.entry}>
      <Link to={`/socks/${sock.id}`} className={css.entryPicture} tabIndex={-1} aria-hidden="true">
        {made && shape && <SockSketch shape={shape} plan={made} />}
        {sock.digest.rows === 0 && <span className={css.unfinished}>?</span>}
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
        {strip && <Strip parts={strip} titled={false} {...(progress && { done: progress.done })} />}
      </div>
      <div className={css.next}>
        <p>{progress ? <NextOnNeedles at={progress} /> : sock.next.text}</p>
        <div className="actions">
          <Button type="primary" onClick={() => navigate(nextPage(sock))}>
            {sock.next.do === "decide" ? "To the board" : "To the needles"}
          </Button>
          <Actions sock={sock} rename={() => setRenaming(true)} />
        </div>
      </div>
    </li>
  );
}

/** NextOnNeedles says which row is next and how much is left. */
function NextOnNeedles({ at }: { at: Progress }) {
  if (at.sock === 0) {
    return "Both are off the needles: write down how they fit";
  }
  return (
    <>
      {at.sock === 2 ? "Second sock" : "Knit on"}: {at.section.replace("_", " ")}, {at.kind} {at.n} of {at.of}{" "}
      <span className={css.toGo}>{at.left_pct} % to go</span>
    </>
  );
}

const nextPage = (sock: Sock) => `/socks/${sock.id}${sock.next.do === "decide" ? "" : "/knit"}`;

function Actions({ sock, rename }: { sock: Sock; rename: () => void }) {
  const remove = useDeleteSock();
  const restore = useRestoreSock();
  const duplicate = useDuplicateSock();
  const takeOut = useTakeOut();
  const { message } = App.useApp();
  const failed = (error: Error) => message.error(error.message);
  const out = () =>
    takeOut(`${sock.name} is out of the basket.`, remove.mutateAsync(sock.id), () =>
      restore.mutateAsync(sock.id),
    );
  const items = [
    { key: "rename", label: "Rename", onClick: rename },
    { key: "duplicate", label: "Duplicate", onClick: () => duplicate.mutate(sock.id, { onError: failed }) },
    { key: "delete", label: "Delete", danger: true, onClick: out },
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
      className={css.rename}
      onSubmit={(event) => {
        event.preventDefault();
        const { id, revision } = sock;
        save.mutate({ ...contentOf(sock), id, revision, unit, name }, { onSuccess: done });
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
