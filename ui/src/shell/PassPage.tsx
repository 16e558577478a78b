import { useMutation, useQueryClient } from "@tanstack/react-query";
import { Button } from "antd";
import { useNavigate, useParams } from "react-router";
import { answered, client, faultText } from "../api/client";
import { usePageTitle } from "./usePageTitle";

/** PassPage lets this device in that came by a pass: with a press, so that no program that only looks at links uses it up. */
export function PassPage() {
  usePageTitle("A pass");
  const { token = "" } = useParams();
  const navigate = useNavigate();
  const queries = useQueryClient();
  const show = useMutation({
    mutationFn: async () => answered(await client.POST("/api/pass", { body: { token } })),
    onSuccess: async ({ path }) => {
      await queries.invalidateQueries();
      navigate(path, { replace: true });
    },
  });
  return (
    <div className="page narrow">
      <h1>Knit on here</h1>
      <p className="lead">This pass opens the needles on this device, once.</p>
      <Button type="primary" size="large" loading={show.isPending} onClick={() => show.mutate()}>
        Open the sock
      </Button>
      {show.isError && (
        <p className="fault" role="alert">
          {faultText(show.error)}
        </p>
      )}
    </div>
  );
}
