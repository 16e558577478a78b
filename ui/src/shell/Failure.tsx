import { Alert, Button } from "antd";

/** Failure says what the server said, and offers to ask again. */
export function Failure({ error, retry }: { error: Error; retry?: () => void }) {
  return (
    <Alert
      type="error"
      role="alert"
      title={error.message || "The program did not answer."}
      action={retry && <Button onClick={retry}>Try again</Button>}
    />
  );
}
