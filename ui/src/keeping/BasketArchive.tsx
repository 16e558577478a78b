import { useMutation } from "@tanstack/react-query";
import { Button, Progress } from "antd";
import { useRef, useState } from "react";
import { faultText, Refusal } from "../api/client";

/** How far the parts are: socks that were taken away, of all. */
type Taken = { socks: number; all: number; parts: number };

/** part takes one part of the basket away, and says with which sock the next one begins; undefined for none. */
async function part(from: number): Promise<{ next: number | undefined; all: number }> {
  const answer = await fetch(`/api/archive?wearer=1&dates=1&from=${from}`);
  if (!answer.ok) {
    throw new Refusal(await answer.json());
  }
  const all = Number(answer.headers.get("Acorn-Step-All"));
  const next = answer.headers.get("Acorn-Step-Next");
  const link = document.createElement("a");
  link.href = URL.createObjectURL(await answer.blob());
  link.download =
    from === 0 && next === null ? "basket.zip" : `basket-${String(from + 1).padStart(5, "0")}.zip`;
  link.click();
  URL.revokeObjectURL(link.href);
  return { next: next === null ? undefined : Number(next), all };
}

/** BasketArchive takes the whole basket away: a large one in parts, each of which can be opened again by itself. */
export function BasketArchive() {
  const [taken, setTaken] = useState<Taken>();
  const stopped = useRef(false);
  const take = useMutation({
    mutationFn: async () => {
      stopped.current = false;
      let from: number | undefined = 0;
      for (let parts = 1; from !== undefined && !stopped.current; parts++) {
        const { next, all }: { next: number | undefined; all: number } = await part(from);
        setTaken({ socks: next ?? all, all, parts });
        from = next;
      }
    },
  });
  return (
    <>
      <Button loading={take.isPending} onClick={() => take.mutate()}>
        The whole basket as archives
      </Button>
      {take.isPending && taken && (
        <span className="parts" role="status">
          {taken.socks} of {taken.all} socks, in {taken.parts} {taken.parts === 1 ? "part" : "parts"}{" "}
          <Progress percent={Math.round((100 * taken.socks) / Math.max(1, taken.all))} size="small" />
          <Button
            size="small"
            onClick={() => {
              stopped.current = true;
            }}
          >
            Stop
          </Button>
        </span>
      )}
      {take.isSuccess && taken && !take.isPending && (
        <span role="status">
          {taken.socks} of {taken.all} socks were taken away, in {taken.parts}{" "}
          {taken.parts === 1 ? "archive" : "archives"}.
        </span>
      )}
      {take.isError && (
        <span className="fault" role="alert">
          {faultText(take.error)}
        </span>
      )}
    </>
  );
}
