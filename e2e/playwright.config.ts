import { configOf } from "./base.config";

export default configOf(7791, "**/*.spec.ts");
