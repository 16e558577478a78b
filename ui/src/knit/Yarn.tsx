import { useMutation } from "@tanstack/react-query";
import { Button, Input } from "antd";
import { useState } from "react";
import { answered, client } from "../api/client";
import { useKnitting } from "./KnitPage";
import { faultText } from "./KnitPanel";

/** Yarn takes a weighing of the ball, typed or from a scale on this machine. */
export function Yarn({ sock, row, close }: { sock: number; row: number; close: () => void }) {
  const say = useKnitting((s) => s.say);
  const [grams, setGrams] = useState("");
  const scale = useMutation({
    mutationFn: async () => answered(await client.GET("/api/scale")),
    onSuccess: (reading) => setGrams(`${reading.grams}`),
  });
  const value = Number(grams.replace(",", "."));
  const good = grams.trim() !== "" && Number.isFinite(value) && value >= 0 && value <= 5000;
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        say("weigh", sock, row, { grams: value });
        close();
      }}
    >
      <h2>
        <label htmlFor="grams">The ball weighs</label>
      </h2>
      <div className="add-line">
        <Input
          id="grams"
          autoFocus
          value={grams}
          suffix={<span className="unit">g</span>}
          status={grams !== "" && !good ? "error" : ""}
          onChange={(event) => setGrams(event.target.value)}
        />
        <Button onClick={() => scale.mutate()} loading={scale.isPending}>
          Read the scale
        </Button>
      </div>
      <p className="fault" role="alert">
        {grams !== "" && !good ? "A ball weighs 0 to 5000 g." : faultText(scale.error)}
      </p>
      <Button type="primary" htmlType="submit" disabled={!good}>
        Keep
      </Button>
      <p className="hint">Two weighings some rows apart tell what a stitch weighs in your hands.</p>
    </form>
  );
}
