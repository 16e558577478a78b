import { Skeleton } from "antd";
import { useState } from "react";
import { Link, NavLink, Outlet, useMatch } from "react-router";
import { useSession, useWhyClosed } from "../api/session";
import { AcornMark } from "./AcornMark";
import css from "./frame.module.css";
import { LoginPage } from "./LoginPage";
import { MovedPage } from "./MovedPage";
import { OldNote } from "./OldNote";
import { PutBackNote } from "./PutBackNote";
import { Settings } from "./Settings";
import { useSaidBeside } from "./useSaidBeside";
import { useSendWaiting } from "./useSendWaiting";

/** Shell is the frame of every page: the name, the way to the basket, units and light. Knitting has the screen to itself. */
export function Shell() {
  const session = useSession();
  const why = useWhyClosed();
  const { movedTo } = useSaidBeside();
  const [staying, setStaying] = useState(false);
  const locked = session.data?.open === false;
  // A session that ended by itself hides the page with all that is typed on it; who left leaves nothing.
  const [was, setWas] = useState(false);
  const open = !locked && !(session.isPending && session.fetchStatus !== "paused");
  const behind = locked && was && why === "ended";
  if (open && !was) {
    setWas(true);
  } else if (locked && was && !behind) {
    setWas(false);
  }
  useSendWaiting(open);
  // Whoever comes with a pass has no passphrase to give.
  const withPass = useMatch("/pass/:token") !== null;
  const knitting = useMatch("/socks/:id/knit") !== null && !locked;
  return (
    <>
      <a className="skip" href="#content">
        To the content
      </a>
      {!knitting && <Header />}
      <main id="content" tabIndex={-1}>
        {!open && !locked && <Skeleton active className="page" />}
        {locked && !withPass && <LoginPage />}
        {open && <OldNote />}
        {open && <PutBackNote />}
        {open && movedTo !== "" && !staying && <MovedPage to={movedTo} stay={() => setStaying(true)} />}
        {(open || behind || withPass) && (movedTo === "" || staying) && (
          <div className="frame-page" hidden={behind} inert={behind}>
            <Outlet />
          </div>
        )}
      </main>
    </>
  );
}

function Header() {
  return (
    <header className={css.shell}>
      <Link to="/" className="brand">
        <AcornMark />
        <span>Acorn Step</span>
      </Link>
      <nav aria-label="Main">
        <NavLink to="/" end>
          Basket
        </NavLink>
        <NavLink to="/feet">Feet</NavLink>
        <NavLink to="/swatches">Swatches</NavLink>
        <NavLink to="/practice">Practice</NavLink>
        <NavLink to="/terms">Terms</NavLink>
        <NavLink to="/keeping">Keeping</NavLink>
      </nav>
      <Settings />
    </header>
  );
}
