import { configOf } from "./base.config";

const config = configOf(7798, "latency.ts");

export default { ...config, workers: 1, use: { ...config.use, serviceWorkers: "allow" as const } };
