import { Button, Segmented, Skeleton } from "antd";
import { Link, NavLink, Outlet } from "react-router";
import { useLogout, useSession } from "../api/session";
import type { Unit } from "../units/units";
import { AcornMark } from "./AcornMark";
import { LoginPage } from "./LoginPage";
import { useSettings } from "./settings";

/** Shell is the frame of every page: the name, the way to the basket, units and light. */
export function Shell() {
  const { unit, setUnit, scheme, setScheme } = useSettings();
  const session = useSession();
  const logout = useLogout();
  return (
    <>
      <a className="skip" href="#content">
        To the content
      </a>
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
        <div className="settings">
          <Segmented<Unit>
            aria-label="Units"
            options={[
              { label: "cm", value: "cm" },
              { label: "inches", value: "in" },
            ]}
            value={unit}
            onChange={setUnit}
          />
          <Button
            aria-pressed={scheme === "dark"}
            onClick={() => setScheme(scheme === "dark" ? "light" : "dark")}
          >
            {scheme === "dark" ? "Day" : "Evening"}
          </Button>
          {session.data?.required && session.data.open && (
            <Button onClick={() => logout.mutate()}>Log out</Button>
          )}
        </div>
      </header>
      <main id="content" tabIndex={-1}>
        {session.isPending && session.fetchStatus !== "paused" ? (
          <Skeleton active className="page" />
        ) : session.data && !session.data.open ? (
          <LoginPage />
        ) : (
          <Outlet />
        )}
      </main>
    </>
  );
}
