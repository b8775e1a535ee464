// What a first visit has to fetch: the page, its script and style, the stack screen's own part, and the font; compressed as served.
import { appendFileSync, readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { brotliCompressSync, gzipSync } from "node:zlib";

const root = process.argv[2];
const files = readdirSync(join(root, "assets"));
const size = (names, compress) => names.reduce((n, f) => n + compress(readFileSync(join(root, "assets", f))).length, 0);
const page = readFileSync(join(root, "index.html"), "utf8");
const first = files.filter((f) => f.endsWith(".js") && page.includes(f));
const stack = files.filter((f) => f.startsWith("StackScreen") && f.endsWith(".js"));
const style = files.filter((f) => f.endsWith(".css"));
const note = (name, bytes) => {
  if (process.env.LOWFELL_BENCH)
    appendFileSync(process.env.LOWFELL_BENCH, `${JSON.stringify({ name, value: Math.round(bytes / 102.4) / 10, unit: "KB", better: "less" })}\n`);
};
note("script of the sets screen, brotli", size(first, brotliCompressSync));
note("script of the stack screen, brotli", size([...first, ...stack], brotliCompressSync));
note("style, brotli", size(style, brotliCompressSync));
const kb = (n) => `${(n / 1024).toFixed(0)} KB`;
console.log(`script, sets screen: ${kb(size(first, brotliCompressSync))} brotli, ${kb(size(first, gzipSync))} gzip`);
console.log(`script, stack screen opened first: ${kb(size([...first, ...stack], brotliCompressSync))} brotli, ${kb(size([...first, ...stack], gzipSync))} gzip`);
console.log(`style: ${kb(size(style, brotliCompressSync))} brotli, ${kb(size(style, gzipSync))} gzip`);
console.log(`font: ${kb(size(files.filter((f) => f.endsWith(".woff2")), (b) => b))}`);
