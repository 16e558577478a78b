import { useQuery } from "@tanstack/react-query";
import { Button, QRCode } from "antd";
import { answered, client, faultText } from "../api/client";

/** OnThePhone is the way to knit on another device in the house: a picture for its camera, made here. */
export function OnThePhone({ id }: { id: string }) {
  const pass = useQuery({
    queryKey: ["pass", id],
    queryFn: async () => answered(await client.POST("/api/socks/{id}/pass", { params: { path: { id } } })),
    gcTime: 0,
    retry: false,
  });
  return (
    <>
      <h2>Knit on the phone</h2>
      {pass.isError && (
        <p className="fault" role="alert">
          {faultText(pass.error)}
        </p>
      )}
      {pass.data?.url && (
        <>
          <p>
            Point its camera here. It opens this sock once, within {pass.data.minutes} minutes, without the
            passphrase.
          </p>
          <QRCode
            value={pass.data.url}
            size={220}
            type="svg"
            bordered={false}
            bgColor="#ffffff"
            color="#26231e"
          />
          <p className="pass-url">{pass.data.url}</p>
          <Button size="small" loading={pass.isFetching} onClick={() => pass.refetch()}>
            Another pass
          </Button>
        </>
      )}
      {pass.data?.command && (
        <>
          <p>Only this machine reaches the program now. So that the phone does too, start it with:</p>
          <pre className="pass-command">{pass.data.command}</pre>
          <p className="muted">FILE holds a passphrase of eight letters or more.</p>
        </>
      )}
    </>
  );
}
