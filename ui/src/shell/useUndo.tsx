import { App, Button } from "antd";
import { useCallback } from "react";

/** useUndo says what was done, and offers to undo it for a while. */
export function useUndo() {
  const { message } = App.useApp();
  return useCallback(
    (said: string, back: () => Promise<unknown>) => {
      const key = `undo ${said}`;
      message.open({
        key,
        duration: 12,
        content: (
          <span>
            {said}{" "}
            <Button
              size="small"
              onClick={() =>
                back().then(
                  () => message.destroy(key),
                  (error: Error) => message.error(error.message),
                )
              }
            >
              Undo
            </Button>
          </span>
        ),
      });
    },
    [message],
  );
}
