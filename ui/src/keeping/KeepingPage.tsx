import { useSession } from "../api/session";
import { usePageTitle } from "../shell/usePageTitle";
import { Bin } from "./Bin";
import { CopiesSection } from "./CopiesSection";
import { Devices } from "./Devices";
import css from "./keeping.module.css";

/** KeepingPage is where one looks after an accident: copies to go back to, what was deleted, and who is logged in. */
export function KeepingPage() {
  usePageTitle("Safe keeping");
  const required = useSession().data?.required ?? false;
  return (
    <div className={`page ${css.keeping}`}>
      <h1>Safe keeping</h1>
      <div className={css.keepingColumns}>
        <CopiesSection />
        <div>
          <Bin />
          {required && <Devices />}
        </div>
      </div>
    </div>
  );
}
