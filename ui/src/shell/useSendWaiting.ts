import { useEffect } from "react";
import { sendWaiting } from "../api/waiting";

/** How often it is seen whether ticks of closed pages wait on this device, in ms. */
const pause = 60_000;

/** useSendWaiting sends the ticks of socks whose pages are closed, while somebody is inside. */
export function useSendWaiting(inside: boolean): void {
  useEffect(() => {
    if (!inside) {
      return;
    }
    const send = () => void sendWaiting();
    send();
    const timer = setInterval(send, pause);
    window.addEventListener("online", send);
    return () => {
      clearInterval(timer);
      window.removeEventListener("online", send);
    };
  }, [inside]);
}
