import { Button, Dropdown } from "antd";
import { useState } from "react";
import { useHold } from "../hands/useHands";
import { practisedLessons, usePractised } from "../practice/known";
import { useUnit } from "../units/units";
import { Lend } from "./Lend";

/** TakeAway is what can be carried off: the pattern on paper or as text, and the sock in the open formats. */
export function TakeAway({ id }: { id: string }) {
  const unit = useUnit();
  const [lending, setLending] = useState(false);
  const { yarn, knits } = useHold();
  const file = (name: string, about: Record<string, string> = {}) =>
    `/api/socks/${id}/files/${name}?${new URLSearchParams({ unit, ...about })}`;
  // Paper shows the hands as this knitter holds them.
  const paper = (about: Record<string, string>) =>
    file("pattern.pdf", { paper: "a4", yarn, knits, ...about });
  usePractised();
  const known = practisedLessons();
  const link = (key: string, text: string, href: string) => ({
    key,
    label: (
      <a href={href} download>
        {text}
      </a>
    ),
  });
  const items = [
    {
      key: "paper",
      type: "group" as const,
      label: "The pattern to print",
      children: [
        link("a4", "PDF, A4", paper({})),
        link("letter", "PDF, Letter", paper({ paper: "letter" })),
        link("every", "PDF, every row with a box", paper({ rows: "every" })),
        link("large", "PDF, large print", paper({ large: "1" })),
        link("black", "PDF, black ink only", paper({ black: "1" })),
        ...(known.length > 0
          ? [link("known", "PDF, without the moves that I practised", paper({ without: known.join(",") }))]
          : []),
        link("bare", "PDF, without pictures of moves", paper({ without: "all" })),
        link("text", "Plain text", file("pattern.txt")),
      ],
    },
    {
      key: "formats",
      type: "group" as const,
      label: "The sock as a file",
      children: [
        link("design", "Design", file("design.json")),
        link("plan", "Plan, every row", file("plan.json")),
        link("cautions", "Plan, with the wearer's cautions", file("plan.json", { cautions: "1" })),
        link("rows", "Rows as a table", file("rows.csv")),
        link("drawing", "Drawing, SVG", file("drawing.svg")),
        link("archive", "Archive, with its log", file("archive.zip")),
        link("whole", "Archive, with name and dates", file("archive.zip", { wearer: "1", dates: "1" })),
      ],
    },
  ];
  return (
    <>
      <Dropdown menu={{ items }} trigger={["click"]}>
        <Button type="primary">Take it away</Button>
      </Dropdown>
      <Button onClick={() => setLending(true)}>Lend</Button>
      {lending && <Lend id={id} close={() => setLending(false)} />}
    </>
  );
}
