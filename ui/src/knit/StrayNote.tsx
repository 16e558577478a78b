import { useMutation } from "@tanstack/react-query";
import { Button } from "antd";
import { answered, client, faultText, type Schemas } from "../api/client";
import { useKnitting } from "./context";

/** StrayNote asks what is on the needles where rows were ticked that became others meanwhile. */
export function StrayNote() {
  const asked = useKnitting((s) => s.view.asked);
  return asked.map((one) => <Asked key={`${one.sock} ${one.version} ${one.rows}`} asked={one} />);
}

function Asked({ asked }: { asked: Schemas["Strayed"] }) {
  const { id, version } = useKnitting((s) => s.view);
  const take = useKnitting((s) => s.take);
  const record = useKnitting((s) => s.record);
  const send = useKnitting((s) => s.send);
  const { sock, rows } = asked;
  const look = async () =>
    take(answered(await client.GET("/api/socks/{id}/knit", { params: { path: { id } } })));
  const stand = useMutation({
    mutationFn: async (row: number) => {
      record("place", sock, row);
      await send();
      await look();
    },
  });
  const goByThem = useMutation({
    mutationFn: async () => {
      await send();
      answered(
        await client.POST("/api/socks/{id}/replan", {
          params: { path: { id } },
          body: {
            version,
            happened: { sock, row: rows, by_version: asked.version },
            unit: "cm",
            accept: true,
          },
        }),
      );
      await look();
    },
  });
  const isBusy = stand.isPending || goByThem.isPending;
  return (
    <div className="stale-note" role="status">
      <p>{asked.text}</p>
      <p className="actions">
        <Button size="small" loading={goByThem.isPending} disabled={isBusy} onClick={() => goByThem.mutate()}>
          Those rows: go on behind them
        </Button>
        <Button size="small" disabled={isBusy} onClick={() => stand.mutate(asked.row)}>
          Not those: {asked.next} comes next
        </Button>
        {asked.alike !== asked.row && (
          <Button size="small" disabled={isBusy} onClick={() => stand.mutate(asked.alike)}>
            Rows of the new plan: {asked.alike_next} comes next
          </Button>
        )}
      </p>
      {(goByThem.isError || stand.isError) && (
        <p className="fault" role="alert">
          {faultText(goByThem.error ?? stand.error)}
        </p>
      )}
    </div>
  );
}
