import { Button, Input } from "antd";
import { useState } from "react";
import { useLogin } from "../api/session";

/** LoginPage asks for the passphrase of a program that is open to the house. */
export function LoginPage() {
  const [passphrase, setPassphrase] = useState("");
  const login = useLogin();
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
