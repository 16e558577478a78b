import { Button, Segmented } from "antd";
import { useLogout, useSession } from "../api/session";
import type { Unit } from "../units/units";
import { forgetSeen } from "./device";
import css from "./frame.module.css";
import { useSettings } from "./settings";

/** Settings are the units and the light; and the way out where a passphrase let somebody in. */
export function Settings() {
  const { unit, setUnit, scheme, setScheme } = useSettings();
  const session = useSession();
  const logout = useLogout(forgetSeen);
  return (
    <div className={css.settings}>
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
  );
}
