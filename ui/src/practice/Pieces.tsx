import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { App, Button } from "antd";
import { Link, useNavigate } from "react-router";
import { lookAgain } from "../api/change";
import { answered, client, faultText, type Schemas } from "../api/client";
import css from "./practice.module.css";

type Piece = Schemas["PracticePiece"];

/** Pieces are small things to knit on real needles: they lie beside the basket. */
export function Pieces({ pieces }: { pieces: Piece[] }) {
  const navigate = useNavigate();
  const queries = useQueryClient();
  const { message } = App.useApp();
  const begun = useQuery({
    queryKey: ["pieces"],
    queryFn: async () =>
      answered(await client.GET("/api/socks", { params: { query: { practice: 1 } } })).socks,
  });
  const begin = useMutation({
    mutationFn: async (piece: string) =>
      answered(await client.POST("/api/practice/pieces", { body: { piece } })),
    onSuccess: async (sock) => {
      await lookAgain(queries, ["pieces"]);
      navigate(`/socks/${sock.id}/knit`);
    },
    onError: (error) => void message.error(faultText(error)),
  });
  const groups = [...new Set(pieces.map((p) => p.about))];
  return (
    <section aria-label="On real needles">
      <h2>On real needles</h2>
      <p className="muted">
        24 stitches in thick yarn, the part to be learned in a contrast; planned, checked and knitted like any
        sock. Pieces lie here, beside the basket, and count for nothing in it.
      </p>
      {begun.data && begun.data.length > 0 && (
        <ul className={css.lessons}>
          {begun.data.map((sock) => (
            <li key={sock.id}>
              <Link to={`/socks/${sock.id}/knit`}>{sock.name}</Link>
              <span className="muted">{sock.on_needles ? "on the needles" : "not cast on yet"}</span>
              <Link to={`/socks/${sock.id}`}>its board</Link>
            </li>
          ))}
        </ul>
      )}
      {groups.map((about) => (
        <div key={about} className={css.pieces}>
          <p>{about}</p>
          {pieces
            .filter((p) => p.about === about)
            .map((p) => (
              <Button key={p.name} onClick={() => begin.mutate(p.name)} loading={begin.isPending}>
                {p.title}
              </Button>
            ))}
        </div>
      ))}
    </section>
  );
}
