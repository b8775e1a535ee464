// Gathers the licences of the host's packages: licences.mjs PROJECT_ASSETS_FILE OUTPUT. Run by the build.
import { existsSync, readdirSync, readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";

const [, , assetsFile, output] = process.argv;
const assets = JSON.parse(readFileSync(assetsFile, "utf8"));
const ships = Object.entries(Object.values(assets.targets)[0]);

const folderOf = (key) =>
  Object.keys(assets.packageFolders)
    .map((folder) => join(folder, assets.libraries[key].path))
    .find((folder) => existsSync(folder));

const field = (nuspec, name) => new RegExp(`<${name}(?: [^>]*)?>([^<]*)</${name}>`).exec(nuspec)?.[1].trim() ?? "";

function textOf(folder, nuspec) {
  const named = /<license type="file">([^<]*)</.exec(nuspec)?.[1].trim();
  const file = named ?? readdirSync(folder).find((f) => /^licen[cs]e/i.test(f));
  if (file && existsSync(join(folder, file))) return readFileSync(join(folder, file), "utf8").replace(/^\uFEFF/, "").trim();
  return [field(nuspec, "copyright") || `By ${field(nuspec, "authors")}`, field(nuspec, "projectUrl")].filter(Boolean).join("\n");
}

const found = ships
  .filter(([key, what]) => what.type === "package" && (what.runtime || what.native || what.runtimeTargets) && assets.libraries[key])
  .map(([key]) => {
    const [name, version] = key.split("/");
    const folder = folderOf(key);
    const nuspec = readFileSync(join(folder, readdirSync(folder).find((f) => f.endsWith(".nuspec"))), "utf8");
    const text = textOf(folder, nuspec);
    const told = /<license type="expression">([^<]*)</.exec(nuspec)?.[1].trim();
    const read = /Apache License/.test(text) ? "Apache-2.0" : /MIT License/.test(text) ? "MIT" : /LGPL/.test(text) ? "LGPL-3.0" : "in its own words";
    return { name, version, identifier: told ?? read, text };
  })
  .sort((a, b) => (a.name < b.name ? -1 : 1));
if (found.length === 0) throw new Error(`No package in ${assetsFile}`);
writeFileSync(output, JSON.stringify(found));
