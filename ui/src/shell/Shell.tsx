import { Skeleton } from "antd";
import { Link, NavLink, Outlet, useMatch } from "react-router";
import { useSession } from "../api/session";
import { AcornMark } from "./AcornMark";
import { LoginPage } from "./LoginPage";
import { Settings } from "./Settings";

/** Shell is the frame of every page: the name, the way to the basket, units and light. Knitting has the screen to itself. */
export function Shell() {
  const session = useSession();
  const locked = session.data?.open === false;
  const knitting = useMatch("/socks/:id/knit") !== null && !locked;
  return (
    <>
      <a className="skip" href="#content">
        To the content
      </a>
      {!knitting && <Header />}
      <main id="content" tabIndex={-1}>
        {session.isPending && session.fetchStatus !== "paused" ? (
          <Skeleton active className="page" />
        ) : locked ? (
          <LoginPage />
        ) : (
          <Outlet />
        )}
      </main>
    </>
  );
}

function Header() {
  return (
    <header className="shell">
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
        <NavLink to="/terms">Terms</NavLink>
      </nav>
      <Settings />
    </header>
  );
}
