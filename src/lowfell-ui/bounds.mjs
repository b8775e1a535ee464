// Writes src/api/bounds.ts: what each field of a request may be, as the API says it. Run by `npm run api`.
import { readFileSync, writeFileSync } from "node:fs";

const here = new URL(".", import.meta.url);
const { components, paths } = JSON.parse(readFileSync(new URL("src/api/openapi.json", here), "utf8"));
const schemas = components.schemas;

const refOf = (schema) => schema?.$ref ?? schema?.oneOf?.find((s) => s.$ref)?.$ref;

/** Names of the schemas that requests are made of. */
function sent() {
  const names = new Set();
  const walk = (schema) => {
    if (!schema) return;
    const ref = refOf(schema);
    if (ref) {
      const name = ref.split("/").pop();
      if (names.has(name)) return;
      names.add(name);
      walk(schemas[name]);
    }
    walk(schema.items);
    Object.values(schema.properties ?? {}).forEach(walk);
  };
  for (const path of Object.values(paths))
    for (const operation of Object.values(path)) walk(operation.requestBody?.content?.["application/json"]?.schema);
  return [...names].sort();
}

function bound(field) {
  const of = field.items && field.items.maximum !== undefined ? { ...field.items, ...field } : field;
  const figure = of.maximum ?? field.items?.maximum;
  if (figure !== undefined) {
    const at = of.maximum === undefined ? field.items : of;
    return { min: at.minimum ?? at.exclusiveMinimum, max: at.maximum, ...(at.exclusiveMinimum === undefined ? {} : { above: true }), ...(at["x-unit"] ? { unit: at["x-unit"] } : {}) };
  }
  if (field.maxLength !== undefined) return { maxLength: field.maxLength };
  if (field.maxItems !== undefined) return { maxItems: field.maxItems };
  return undefined;
}

const lines = sent().flatMap((name) => {
  const fields = Object.entries(schemas[name].properties ?? {}).flatMap(([field, schema]) => {
    const b = field === "version" || field === "schemeVersion" ? undefined : bound(schema);
    return b ? [`    ${field}: ${JSON.stringify(b)},`] : [];
  });
  return fields.length ? [`  ${name}: {`, ...fields, "  },"] : [];
});

writeFileSync(
  new URL("src/api/bounds.ts", here),
  `// Written by \`npm run api\` from openapi.json; the bounds stand beside their types in Lowfell.Core.\n\n/** What each field of a request may be. */\nexport const bounds = {\n${lines.join("\n")}\n} as const;\n`,
);
