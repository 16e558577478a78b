import { useEffect, useRef } from "react";
import { useLocation, useNavigate, useSearchParams } from "react-router";

/** What the address remembers of a panel that was opened here. */
const opened = "opened here";

/**
 * usePanel is the panel that is open beside the row, and opens another or none.
 * On a phone a panel is a page of its own: Back closes it, and so does closing it.
 */
export function usePanel(): [string | null, (panel: string | null) => void] {
  const [search, setSearch] = useSearchParams();
  const location = useLocation();
  const navigate = useNavigate();
  const now = search.get("panel");
  // Going back takes a moment: what is opened meanwhile waits for it, or it would be the page that is left.
  const leaving = useRef(false);
  const wanted = useRef<string>(undefined);
  const open = (panel: string | null) => {
    if (leaving.current) {
      wanted.current = panel ?? undefined;
    } else if (panel === null && location.state === opened) {
      leaving.current = true;
      navigate(-1);
    } else {
      setSearch(panel === null ? {} : { panel }, {
        replace: now !== null || panel === null,
        state: panel && opened,
      });
    }
  };

  // biome-ignore lint/correctness/useExhaustiveDependencies: it is done once for each place that is come to
  useEffect(() => {
    leaving.current = false;
    const panel = wanted.current;
    wanted.current = undefined;
    if (panel !== undefined) {
      open(panel);
    }
  }, [location.key]);

  return [now, open];
}
