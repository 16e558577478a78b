import { configOf } from "./base.config";

export default configOf(7792, "**/{sample,screenshots}.ts");
