import { useMutation, useQueryClient } from "@tanstack/react-query";
import { Button } from "antd";
import { type DragEvent, type ReactNode, useRef, useState } from "react";
import { Link, useNavigate } from "react-router";
import { lookAgain } from "../api/change";
import { answered, client, Refusal, saidFault } from "../api/client";
import { basketKey, useAddSock } from "../api/socks";
import { useUnit } from "../units/units";
import css from "./basket.module.css";

/** The largest files that are read, in bytes, as the program has it too: a plan has about 60,000. */
const largest = { archive: 64 << 20, document: 8 << 20 };

type Imported = { socks: { id: string; name: string; came: boolean; why: string }[] };

/** openArchive takes the socks of an archive into the basket. */
async function openArchive(file: File): Promise<Imported> {
  const answer = await fetch("/api/archive", { method: "POST", body: file });
  const said = await answer.json();
  if (!answer.ok) {
    throw new Refusal(said);
  }
  return said;
}

const isArchive = (file: File) => /\.zip$/i.test(file.name);

/** OpenFile puts a design, a plan or an archive from a file into the basket: by a button, or let fall on the page. */
export function OpenFile({ children }: { children: (open: ReactNode) => ReactNode }) {
  const unit = useUnit();
  const navigate = useNavigate();
  const input = useRef<HTMLInputElement>(null);
  const [over, setOver] = useState(false);
  const queries = useQueryClient();
  const [took, setTook] = useState<Imported["socks"]>();
  const add = useAddSock();
  const open = useMutation({
    mutationFn: async (file: File) => {
      const most = isArchive(file) ? largest.archive : largest.document;
      if (file.size > most) {
        throw new Error(`${file.name} has ${file.size} bytes; at most ${most} are read.`);
      }
      if (isArchive(file)) {
        const { socks } = await openArchive(file);
        await lookAgain(queries, basketKey);
        setTook(socks);
        return undefined;
      }
      const read = answered(await client.POST("/api/open", { body: { text: await file.text() } }));
      return add.mutateAsync({
        name: read.name || file.name.replace(/\.json$/i, ""),
        wearer: "",
        unit,
        draft: read.draft,
      });
    },
    onSuccess: (sock) => sock && navigate(`/socks/${sock.id}`),
  });
  const take = (files: FileList | null) => {
    const file = files?.[0];
    if (file) {
      setTook(undefined);
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
      className={over ? `${css.filePlace} ${css.over}` : css.filePlace}
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
            aria-label="A design, a plan or an archive"
            accept="application/json,.json,application/zip,.zip"
            onChange={(event) => {
              take(event.target.files);
              event.target.value = "";
            }}
          />
        </>,
      )}
      {took && (
        <div className="stale-note" role="status">
          <ul>
            {took.map(({ id, name, came, why }) =>
              id === "" ? (
                <li key={name}>
                  {name} could not come: {why}
                </li>
              ) : (
                <li key={id}>
                  <Link to={`/socks/${id}`}>{name}</Link>{" "}
                  {came ? "came in." : "is here already, and the same."} {why}
                </li>
              ),
            )}
          </ul>
        </div>
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
