import { configOf } from "./base.config";

export default configOf(7792, "**/screenshots.ts");
