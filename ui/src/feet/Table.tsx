import { Button } from "antd";
import { useRef } from "react";
import { Refusal } from "../api/client";
import { useAddTable } from "../api/feet";

/** Table takes the measurements of a wearer away as a table, and reads one: all of its lines, or none. */
export function Table({ id }: { id: string }) {
  const input = useRef<HTMLInputElement>(null);
  const read = useAddTable(id);
  const faults = read.error instanceof Refusal ? (read.error.problem.errors ?? []) : [];
  return (
    <section className="measure-table" aria-label="Measurements as a table">
      <Button href={`/api/feet/${id}/measurements.csv`} download>
        Measurements as a table
      </Button>{" "}
      <Button loading={read.isPending} onClick={() => input.current?.click()}>
        Read a table
      </Button>
      <input
        ref={input}
        type="file"
        hidden
        aria-label="A table of measurements"
        accept=".csv,text/csv"
        onChange={(event) => {
          const file = event.target.files?.[0];
          event.target.value = "";
          if (file) {
            void file.text().then((text) => read.mutate(text));
          }
        }}
      />
      {read.isError && (
        <ul className="fault" role="alert">
          {(faults.length > 0 ? faults.map((f) => f.message) : [read.error.message]).map((text) => (
            <li key={text}>{text}</li>
          ))}
        </ul>
      )}
    </section>
  );
}
