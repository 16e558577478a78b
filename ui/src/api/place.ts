import { createStore, useStore } from "zustand";
import { remember, remembered } from "../shell/remember";
import { client } from "./client";

// Which store this browser knows. A copy that is put in its place is another one:
// the program writes nothing into it for a page that says it knows the one before.

const key = "acorn-step.store";
const storeHeader = "Acorn-Step-Store";

type Place = {
  /** The store that this browser knows; empty before the first answer. */
  known: string;
  /** Another one that answers now; empty while it is the same. */
  other: string;
  /** The last moment of which that one knows; empty when it does not say. */
  knows: string;
};

const place = createStore<Place>(() => ({ known: remembered(key) ?? "", other: "", knows: "" }));
export const usePlace = (): Place => useStore(place);

/** goOnThere takes the store that answers now for the one that this browser knows. */
export function goOnThere(): void {
  const { other } = place.getState();
  if (other) {
    remember(key, other);
    place.setState({ known: other, other: "" });
  }
}

client.use({
  onRequest: ({ request }) => {
    const { known } = place.getState();
    if (known) {
      request.headers.set(storeHeader, known);
    }
    return request;
  },
  onResponse: ({ response }) => {
    const id = response.headers.get(storeHeader);
    const { known } = place.getState();
    if (!id || id === known) {
      return undefined;
    }
    place.setState(
      known ? { other: id, knows: response.headers.get("Acorn-Step-Knows") ?? "" } : { known: id },
    );
    if (!known) {
      remember(key, id);
    }
    return undefined;
  },
});
