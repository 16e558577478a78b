import { Button, Input } from "antd";
import { useNavigate } from "react-router";
import { Refusal } from "../api/client";
import { useAddSock } from "../api/socks";
import { useDraft } from "../shell/useDraft";
import { usePageTitle } from "../shell/usePageTitle";
import { useUnit } from "../units/units";

/** NewSockPage asks for a name and a wearer; the rest is done on the board. */
export function NewSockPage() {
  usePageTitle("New sock");
  const { text: name, type: setName, done: nameDone } = useDraft("new sock");
  const { text: wearer, type: setWearer, done: wearerDone } = useDraft("new sock for");
  const add = useAddSock();
  const unit = useUnit();
  const navigate = useNavigate();
  const faults = add.error instanceof Refusal ? (add.error.problem.errors ?? []) : [];
  const faultOf = (field: string) => faults.find((f) => f.field === field)?.message;
  return (
    <form
      className="page narrow"
      onSubmit={(event) => {
        event.preventDefault();
        add.mutate(
          { name, wearer, unit, draft: { design: {}, entries: {} } },
          {
            onSuccess: (sock) => {
              nameDone();
              wearerDone();
              navigate(`/socks/${sock.id}`, { replace: true });
            },
          },
        );
      }}
    >
      <h1>A new sock</h1>
      <p className="lead">
        Give it a name you will know it by. Foot and swatch come next, and you see the sock as you type.
      </p>
      <div className="field">
        <label htmlFor="sock-name">Name of the sock</label>
        <Input
          id="sock-name"
          autoFocus
          value={name}
          placeholder="Observatory roof socks"
          status={faultOf("name") ? "error" : ""}
          aria-describedby="sock-name-note"
          onChange={(event) => setName(event.target.value)}
        />
        <p id="sock-name-note" className="fault" role="alert">
          {faultOf("name")}
        </p>
      </div>
      <div className="field">
        <label htmlFor="sock-wearer">Who will wear it?</label>
        <Input
          id="sock-wearer"
          value={wearer}
          placeholder="Isolde"
          status={faultOf("wearer") ? "error" : ""}
          aria-describedby="sock-wearer-note"
          onChange={(event) => setWearer(event.target.value)}
        />
        <p id="sock-wearer-note" className="fault" role="alert">
          {faultOf("wearer")}
        </p>
      </div>
      {add.isError && faults.length === 0 && (
        <p className="fault" role="alert">
          {add.error.message}
        </p>
      )}
      <Button type="primary" size="large" htmlType="submit" loading={add.isPending}>
        To the foot
      </Button>
    </form>
  );
}
