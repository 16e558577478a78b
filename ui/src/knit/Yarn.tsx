import { useMutation } from "@tanstack/react-query";
import { Button, Input, Select } from "antd";
import { useState } from "react";
import { answered, client } from "../api/client";
import { useKnitting } from "./KnitPage";
import { faultText } from "./KnitPanel";

/** Yarn takes a weighing of the ball, typed or from a scale on this machine. */
export function Yarn({ sock, row, close }: { sock: number; row: number; close: () => void }) {
  const say = useKnitting((s) => s.say);
  const [grams, setGrams] = useState("");
  const twoYarns = useKnitting((s) => s.view.rows.some((r) => r.colour === "contrast"));
  const contrast = useKnitting((s) => s.tally.contrast);
  const [yarn, setYarn] = useState<"" | "contrast">("");
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
        say("weigh", sock, row, { grams: value, ...(yarn && { text: yarn }) });
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
      {twoYarns && (
        <p>
          <Select
            aria-label="Which yarn"
            className="whole"
            value={yarn}
            onChange={setYarn}
            options={[
              { value: "", label: "the yarn of the sock" },
              { value: "contrast", label: "the contrast yarn" },
            ]}
          />
        </p>
      )}
      <p className="fault" role="alert">
        {grams !== "" && !good ? "A ball weighs 0 to 5000 g." : faultText(scale.error)}
      </p>
      <Button type="primary" htmlType="submit" disabled={!good}>
        Keep
      </Button>
      {contrast && <p>The contrast yarn weighed {contrast.left_g} g.</p>}
      <p className="hint">Two weighings some rows apart tell what a stitch weighs in your hands.</p>
      <Left sock={sock} row={row} close={close} />
    </form>
  );
}

/** Left is what the ball is still good for, and a leg that follows the yarn. */
function Left({ row, close }: { sock: number; row: number; close: () => void }) {
  const { ball } = useKnitting((s) => s.tally);
  const { id, version } = useKnitting((s) => s.view);
  const take = useKnitting((s) => s.take);
  const [repeat, setRepeat] = useState("");
  const follow = useMutation({
    mutationFn: async (legRounds: number) => {
      answered(
        await client.POST("/api/socks/{id}/replan", {
          params: { path: { id } },
          body: { version, happened: { row, leg_rounds: legRounds }, unit: "cm", accept: true },
        }),
      );
      take(answered(await client.GET("/api/socks/{id}/knit", { params: { path: { id } } })));
    },
    onSuccess: close,
  });
  if (!ball) {
    return null;
  }
  const metres = Number(repeat.replace(",", "."));
  return (
    <>
      <h2>What it is good for</h2>
      <p>
        <strong>{ball.leg_rounds}</strong> leg rounds on this sock, with the cuff and 8 % kept back;{" "}
        <strong>{ball.shared_leg_rounds}</strong> on each when both socks share the ball.
      </p>
      <Button onClick={() => follow.mutate(ball.follow_leg_rounds)} loading={follow.isPending}>
        Let the leg follow the yarn: {ball.follow_leg_rounds} rounds, then the cuff
      </Button>
      <p className="fault" role="alert">
        {faultText(follow.error)}
      </p>
      <div className="look-line">
        <label htmlFor="repeat">One repeat of the stripes is</label>
        <Input
          id="repeat"
          value={repeat}
          suffix={<span className="unit">m</span>}
          onChange={(event) => setRepeat(event.target.value)}
        />
      </div>
      {metres > 0 && (
        <p>
          About <strong>{(ball.rounds_per_metre * metres).toFixed(1)}</strong> rounds of the leg. Note where
          in the repeat this sock began, and begin the second one there.
        </p>
      )}
    </>
  );
}
