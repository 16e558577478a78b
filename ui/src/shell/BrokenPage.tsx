import { Button } from "antd";
import { usePageTitle } from "./usePageTitle";

/** BrokenPage stands where a page could not be shown: its script did not come, or it broke. */
export function BrokenPage() {
  usePageTitle("Something broke");
  return (
    <div className="page narrow" role="alert">
      <h1>This page broke</h1>
      <p className="lead">
        Nothing is lost: what you ticked and typed is kept on this device until the program has it.
      </p>
      <Button type="primary" onClick={() => location.reload()}>
        Open it again
      </Button>
    </div>
  );
}
