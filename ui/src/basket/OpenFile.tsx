import { useMutation } from "@tanstack/react-query";
import { Button } from "antd";
import { type DragEvent, type ReactNode, useRef, useState } from "react";
import { useNavigate } from "react-router";
import { answered, client, Refusal, saidFault } from "../api/client";
import { useAddSock } from "../api/socks";
import { useUnit } from "../units/units";

/** The largest file that is read, in bytes: a plan has about 60,000. */
const largest = 8 << 20;

/** OpenFile puts a design or a plan from a file into the basket: by a button, or let fall on the page. */
export function OpenFile({ children }: { children: (open: ReactNode) => ReactNode }) {
  const unit = useUnit();
  const navigate = useNavigate();
  const input = useRef<HTMLInputElement>(null);
  const [over, setOver] = useState(false);
  const add = useAddSock();
  const open = useMutation({
    mutationFn: async (file: File) => {
      if (file.size > largest) {
        throw new Error(`${file.name} has ${file.size} bytes; at most ${largest} are read.`);
      }
      const read = answered(await client.POST("/api/open", { body: { text: await file.text() } }));
      return add.mutateAsync({
        name: read.name || file.name.replace(/\.json$/i, ""),
        wearer: "",
        unit,
        draft: read.draft,
      });
    },
    onSuccess: (sock) => navigate(`/socks/${sock.id}`),
  });
  const take = (files: FileList | null) => {
    const file = files?.[0];
    if (file) {
      open.mutate(file);
    }
  };
  const drop = (event: DragEvent) => {
    event.preventDefault();
    setOver(false);
    take(event.dataTransfer.files);
  };
  return (
    // biome-ignore lint/a11y/noStaticElementInteractions: the button does the same by keyboard
    <div
      className={over ? "file-place over" : "file-place"}
      onDragOver={(event) => {
        if (event.dataTransfer.types.includes("Files")) {
          event.preventDefault();
          setOver(true);
        }
      }}
      onDragLeave={(event) => event.currentTarget === event.target && setOver(false)}
      onDrop={drop}
    >
      {children(
        <>
          <Button size="large" loading={open.isPending} onClick={() => input.current?.click()}>
            Open a file
          </Button>
          <input
            ref={input}
            type="file"
            hidden
            aria-label="A design or a plan"
            accept="application/json,.json"
            onChange={(event) => {
              take(event.target.files);
              event.target.value = "";
            }}
          />
        </>,
      )}
      {open.isError && (
        <div className="fault" role="alert">
          <p>That file cannot be put into the basket.</p>
          <ul>
            {saidOf(open.error).map((text) => (
              <li key={text}>{text}</li>
            ))}
          </ul>
        </div>
      )}
    </div>
  );
}

/** saidOf is every fault in a sentence with its place. */
function saidOf(error: Error): string[] {
  const faults = error instanceof Refusal ? (error.problem.errors ?? []) : [];
  return faults.length > 0
    ? faults.map((f) => (f.field ? `${saidFault(f)} (${f.field})` : saidFault(f)))
    : [error.message];
}
