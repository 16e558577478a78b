import { App, Button } from "antd";
import { useCallback } from "react";

// Two things that are called alike are offered back each by itself.
let offers = 0;

/**
 * useTakeOut takes something out, says so, and offers to undo it for a while.
 * It does not hang on the part of the page that asked, which may be gone with
 * what was taken out.
 */
export function useTakeOut() {
  const { message } = App.useApp();
  return useCallback(
    async (said: string, out: Promise<unknown>, back: () => Promise<unknown>) => {
      const key = `undo ${++offers}`;
      try {
        await out;
      } catch (error) {
        message.error((error as Error).message);
        return;
      }
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
