// compare.mjs LINES BENCHMARKDOTNET_RESULTS OUTPUT_FOLDER : gathers the figures of a run, writes them as JSON, and tells how they stand to the last run's.
import { existsSync, mkdirSync, readdirSync, readFileSync, writeFileSync } from "node:fs";
import { cpus } from "node:os";
import { join } from "node:path";

const [, , lines, results, folder] = process.argv;
const figures = existsSync(lines) ? readFileSync(lines, "utf8").split("\n").filter(Boolean).map((l) => JSON.parse(l)) : [];
for (const file of existsSync(results) ? readdirSync(results).filter((f) => f.endsWith("-report-full-compressed.json")) : []) {
  for (const b of JSON.parse(readFileSync(join(results, file), "utf8")).Benchmarks) {
    const name = `${b.Type}.${b.Method}${b.Parameters ? ` ${b.Parameters}` : ""}`;
    if (b.Statistics) figures.push({ name, value: Math.round(b.Statistics.Mean) / 1000, unit: "us", better: "less" });
    if (b.Memory?.BytesAllocatedPerOperation > 0)
      figures.push({ name: `${name}, allocated`, value: Math.round(b.Memory.BytesAllocatedPerOperation / 10.24) / 100, unit: "KB", better: "less" });
  }
}
if (figures.length === 0) throw new Error("No figure was noted.");

mkdirSync(folder, { recursive: true });
const runs = readdirSync(folder).filter((f) => /^run-.*\.json$/.test(f)).sort();
const last = new Map(runs.flatMap((f) => JSON.parse(readFileSync(join(folder, f), "utf8")).figures.map((x) => [x.name, x])));
const at = new Date().toISOString();
writeFileSync(
  join(folder, `run-${at.replaceAll(":", "").slice(0, 17)}.json`),
  JSON.stringify({ at, processor: cpus()[0]?.model, processors: cpus().length, node: process.version, figures }, null, 2) + "\n",
);

console.log(`\n${figures.length} figures are kept; beside the last run of each:`);
for (const f of figures) {
  const before = last.get(f.name);
  const ratio = before && before.value > 0 ? f.value / before.value : undefined;
  const worse = ratio !== undefined && (f.better === "less" ? ratio > 1.15 : ratio < 1 / 1.15);
  console.log(`${worse ? "!" : " "} ${f.name}: ${f.value} ${f.unit}${ratio === undefined ? "" : `, ${ratio.toFixed(2)} of ${before.value}`}`);
}
