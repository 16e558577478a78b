import { Button, Input } from "antd";
import { useState } from "react";
import { useLogin, useWhyClosed, type Why } from "../api/session";

const words: Record<Why, string> = {
  "": "",
  ended: "Your session ended. Nothing that you typed is lost: it stands behind this page.",
  left: "You are logged out on this device.",
  "left alone":
    "You are logged out on this device. The program could not be reached: the session there is closed as soon as it answers.",
};

/** Only the machine itself hears what a browser sends to it; on the way to another one it is readable without https. */
const readableOnTheWay = !window.isSecureContext;

/** LoginPage asks for the passphrase of a program that is open to the house. */
export function LoginPage() {
  const [passphrase, setPassphrase] = useState("");
  const login = useLogin();
  const why = useWhyClosed();
  return (
    <form
      className="page narrow"
      onSubmit={(event) => {
        event.preventDefault();
        login.mutate(passphrase);
      }}
    >
      <h1>Whose basket is this?</h1>
      <p className="lead">The one who started Acorn Step in your house knows the passphrase.</p>
      {why !== "" && (
        <p className="stale-note" role="status">
          {words[why]}
        </p>
      )}
      {readableOnTheWay && (
        <p className="stale-note">
          On this address the passphrase travels unencrypted: others in the same network could read it. The
          one who started the program can give it a certificate with <code>acornstep certificate</code>.
        </p>
      )}
      <label className="field" htmlFor="passphrase">
        <span>Passphrase</span>
        <Input.Password
          id="passphrase"
          autoComplete="current-password"
          value={passphrase}
          status={login.isError ? "error" : ""}
          aria-describedby="passphrase-fault"
          onChange={(event) => setPassphrase(event.target.value)}
        />
      </label>
      <p className="fault" id="passphrase-fault" role="alert">
        {login.error?.message}
      </p>
      <Button type="primary" htmlType="submit" loading={login.isPending} disabled={!passphrase}>
        Open the basket
      </Button>
    </form>
  );
}
