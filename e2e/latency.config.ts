import { configOf } from "./base.config";

export default { ...configOf(7798, "latency.ts"), workers: 1 };
