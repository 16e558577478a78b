import { useMutation } from "@tanstack/react-query";
import { Button } from "antd";
import { answered, client, faultText } from "../api/client";
import { useKnitting } from "./context";

/** OfferNote says once that this program would knit rows to come otherwise than the one that made the plan. */
export function OfferNote() {
  const { id, version, offer } = useKnitting((s) => s.view);
  const take = useKnitting((s) => s.take);
  const send = useKnitting((s) => s.send);
  const answer = useMutation({
    mutationFn: async (yes: boolean) => {
      await send();
      take(
        answered(
          await client.POST("/api/socks/{id}/offer", {
            params: { path: { id } },
            body: { version, name: offer?.name ?? "", take: yes },
          }),
        ),
      );
    },
  });
  if (!offer) {
    return null;
  }
  return (
    <div className="stale-note" role="status">
      <p>{offer.text}</p>
      <p className="actions">
        <Button size="small" loading={answer.isPending} onClick={() => answer.mutate(true)}>
          Plan the rest anew
        </Button>
        <Button size="small" disabled={answer.isPending} onClick={() => answer.mutate(false)}>
          Leave it as it is
        </Button>
      </p>
      {answer.isError && (
        <p className="fault" role="alert">
          {faultText(answer.error)}
        </p>
      )}
    </div>
  );
}
